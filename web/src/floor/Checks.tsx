import { useState } from "react";
import type { PackStep } from "./fold";
import type { Say } from "./texts";
import type { Round } from "./useRound";

type Props = { step: PackStep; made: Record<string, boolean>; say: Say; write: Round["write"] };

/** What is measured against a range, or looked at and found right. */
export function Checks({ step, made, say, write }: Props) {
  const [values, setValues] = useState<Record<string, string>>({});
  return (
    <ul className="floor-checks">
      {step.checks.map((c) => {
        const ranged = c.least !== undefined && c.most !== undefined;
        const text = values[c.id] ?? "";
        const value = Number(text.replace(",", "."));
        const ok = made[c.id];
        return (
          <li key={c.id}>
            <span>
              {say(c.name)}
              {ranged && ` (${say("{0} to {1} {2}", c.least ?? "", c.most ?? "", c.unit ?? "")})`}
              {ok === true && <strong> – {say("right")}</strong>}
              {ok === false && <strong className="bad"> – {say("outside its range")}</strong>}
            </span>
            {ranged && (
              <input
                aria-label={`${say(c.name)}, ${c.unit}`}
                inputMode="decimal"
                maxLength={10}
                value={text}
                onChange={(e) => setValues({ ...values, [c.id]: e.currentTarget.value })}
              />
            )}
            <button
              className="floor-btn"
              type="button"
              disabled={ranged && (text.trim() === "" || !Number.isFinite(value))}
              onClick={() =>
                write(step.id, "check", [
                  { name: "check", text: c.id },
                  ...(ranged ? [{ name: "value", value, unit: c.unit }] : []),
                ])
              }
            >
              {ranged ? say("Enter") : say("It is right")}
              <span className="sr-only">: {say(c.name)}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
