import { type ReactNode, useRef } from "react";

type Props = {
  children: ReactNode;
  /** What is chosen, for whoever hears the page. */
  name?: string;
  accept: string;
  className?: string;
  disabled?: boolean;
  /** On a tablet: straight to the camera. */
  camera?: boolean;
  onFile: (file: File) => void;
};

/** A button that asks for a file; the same file can be chosen again. */
export function FromFile({ children, name, accept, className = "btn", disabled, camera, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button className={className} type="button" disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={name}
        accept={accept}
        capture={camera ? "environment" : undefined}
        onChange={(e) => {
          const file = e.currentTarget.files?.[0];
          e.currentTarget.value = "";
          if (file) {
            onFile(file);
          }
        }}
      />
    </>
  );
}
