import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Outcome, PackStep } from "../round/core";
import { check } from "../round/entries";
import { FromMeter, METER_OF } from "../round/FromMeter";
import type { Round } from "../round/useRound";
import { degrees, say } from "../shared/say";
import { celsiusOf, shownIn } from "../shared/temperature";
import { told } from "../shared/texts";

type Props = { step: PackStep; made: Record<string, Outcome>; write: Round["write"] };

const SAID: Record<Outcome, string> = {
  IN: say("floor.checks.right", "right"),
  OUT: say("floor.checks.out-of-range", "out of range"),
  CANNOT_TELL: say("floor.checks.cant-tell-with-this-gauge", "can’t tell with this gauge"),
};

/** What is measured against a range, or looked at and found right. */
export function Checks({ step, made, write }: Props) {
  return (
    <ul className="floor-checks">
      {step.checks.map((c) => (
        <CheckLine key={c.id} check={c} made={made[c.id]} step={step.id} write={write} />
      ))}
    </ul>
  );
}

type LineProps = {
  check: Schemas["CheckPlan"];
  made: Outcome | undefined;
  step: string;
  write: Round["write"];
};

function CheckLine({ check: c, made, step, write }: LineProps) {
  const unit = degrees();
  const [text, setText] = useState("");
  const ranged = c.least !== undefined && c.most !== undefined;
  const warm = c.unit === "°C";
  const typed = Number(text.replace(",", "."));
  const value = warm ? celsiusOf(unit, typed) : typed;
  return (
    <li>
      <span>
        {told(c.name)}
        {ranged &&
          ` (${say("floor.checks.to", "{0} to {1} {2}", c.least ?? "", c.most ?? "", told(c.unit ?? ""))})`}
        {made && <strong className={made === "IN" ? "" : "bad"}> – {SAID[made]}</strong>}
      </span>
      {ranged && (
        <input
          aria-label={`${told(c.name)}, ${warm ? unit : told(c.unit ?? "")}`}
          inputMode="decimal"
          maxLength={10}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
      )}
      <button
        className="floor-btn"
        type="button"
        disabled={ranged && (text.trim() === "" || !Number.isFinite(value))}
        onClick={() => write(ranged ? check(step, c.id, value, c.unit) : check(step, c.id))}
      >
        {ranged ? say("floor.checks.enter", "Enter") : say("floor.checks.ok", "OK")}
        <span className="sr-only">: {told(c.name)}</span>
      </button>
      {ranged && (
        <FromMeter
          fits={(m) => m.kind === METER_OF[c.unit ?? ""]}
          near={(Number(c.least) + Number(c.most)) / 2}
          onRead={(v) => setText(String(warm ? shownIn(unit, v) : v))}
        />
      )}
    </li>
  );
}
