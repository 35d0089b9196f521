import { useRef, useState } from "react";

type Props = { label: string; ready: boolean; disabled?: boolean; onDone: () => void };

const HOLD = 700;

/** Amber only when the step can be confirmed; otherwise the server says what is missing. Held to confirm, so that a drop of water or a sleeve confirms nothing. By keyboard one press is enough. */
export function Hold({ label, ready, disabled = false, onDone }: Props) {
  const timer = useRef<number | undefined>(undefined);
  const [held, setHeld] = useState(false);

  function down() {
    if (disabled) {
      return;
    }
    setHeld(true);
    timer.current = window.setTimeout(() => {
      setHeld(false);
      onDone();
    }, HOLD);
  }

  function up() {
    window.clearTimeout(timer.current);
    setHeld(false);
  }

  return (
    <button
      className={`floor-btn hold${ready ? " now" : ""}${held ? " held" : ""}`}
      type="button"
      disabled={disabled}
      onPointerDown={down}
      onPointerUp={up}
      onPointerLeave={up}
      onPointerCancel={up}
      onContextMenu={(e) => e.preventDefault()}
      onKeyDown={(e) => {
        if ((e.key === "Enter" || e.key === " ") && !e.repeat && !disabled) {
          e.preventDefault();
          onDone();
        }
      }}
    >
      {label}
    </button>
  );
}
