import { type ReactNode, useEffect, useRef } from "react";
import { say } from "../shared/say";

type Props = {
  label: string;
  value: string;
  most: number;
  hidden?: boolean;
  busy?: boolean;
  onChange: (digits: string) => void;
  onDone: () => void;
  children?: ReactNode;
};

const KEYS = ["1", "2", "3", "4", "5", "6", "7", "8", "9"];

/** Digits in targets for wet gloves; a keyboard types into it as well. */
export function PinPad({
  label,
  value,
  most,
  hidden = false,
  busy = false,
  onChange,
  onDone,
  children,
}: Props) {
  // What is typed goes here, and Enter means this, not whatever was pressed last.
  const shown = useRef<HTMLOutputElement>(null);
  useEffect(() => shown.current?.focus(), []);
  const add = (digit: string) => onChange((value + digit).slice(0, most));
  useEffect(() => {
    const typed = (e: KeyboardEvent) => {
      if (/^\d$/.test(e.key)) {
        onChange((value + e.key).slice(0, most));
      } else if (e.key === "Backspace") {
        onChange(value.slice(0, -1));
      } else if (e.key === "Enter" && !(e.target instanceof HTMLButtonElement)) {
        onDone();
      }
    };
    window.addEventListener("keydown", typed);
    return () => window.removeEventListener("keydown", typed);
  }, [value, most, onChange, onDone]);
  return (
    <fieldset className="pin-pad" disabled={busy} aria-label={label}>
      <div className="pin-left">
        <p>{label}</p>
        <output
          ref={shown}
          tabIndex={-1}
          className="pin-shown"
          aria-label={say(
            "round.pin-pad.digits-entered",
            "{0, plural, one {# digit} other {# digits}} entered",
            value.length,
          )}
        >
          {hidden ? "●".repeat(value.length) : value.replace(/(\d{3})(?=\d)/, "$1 ")}
        </output>
        {children}
      </div>
      <div className="pin-keys">
        {KEYS.map((k) => (
          <button key={k} className="floor-btn" type="button" onClick={() => add(k)}>
            {k}
          </button>
        ))}
        <button className="floor-btn" type="button" onClick={() => onChange("")}>
          {say("round.pin-pad.clear", "Clear")}
        </button>
        <button className="floor-btn" type="button" onClick={() => add("0")}>
          0
        </button>
        <button className="floor-btn now" type="button" disabled={value.length < 4} onClick={onDone}>
          {say("round.pin-pad.ok", "OK")}
        </button>
      </div>
    </fieldset>
  );
}
