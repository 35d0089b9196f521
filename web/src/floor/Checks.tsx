import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Outcome, PackStep } from "../round/core";
import { check } from "../round/entries";
import { FromMeter, METER_OF } from "../round/FromMeter";
import type { Round } from "../round/useRound";
import { celsiusOf, shownIn } from "../shared/temperature";
import { type Say, useDegrees } from "../shared/texts";

type Props = { step: PackStep; made: Record<string, Outcome>; say: Say; write: Round["write"] };

const SAID: Record<Outcome, string> = {
  IN: "right",
  OUT: "out of range",
  CANNOT_TELL: "can’t tell with this gauge",
};

/** What is measured against a range, or looked at and found right. */
export function Checks({ step, made, say, write }: Props) {
  return (
    <ul className="floor-checks">
      {step.checks.map((c) => (
        <CheckLine key={c.id} check={c} made={made[c.id]} say={say} step={step.id} write={write} />
      ))}
    </ul>
  );
}

type LineProps = {
  check: Schemas["CheckPlan"];
  made: Outcome | undefined;
  step: string;
  say: Say;
  write: Round["write"];
};

function CheckLine({ check: c, made, step, say, write }: LineProps) {
  const degrees = useDegrees();
  const [text, setText] = useState("");
  const ranged = c.least !== undefined && c.most !== undefined;
  const warm = c.unit === "°C";
  const typed = Number(text.replace(",", "."));
  const value = warm ? celsiusOf(degrees, typed) : typed;
  return (
    <li>
      <span>
        {say(c.name)}
        {ranged && ` (${say("{0} to {1} {2}", c.least ?? "", c.most ?? "", c.unit ?? "")})`}
        {made && <strong className={made === "IN" ? "" : "bad"}> – {say(SAID[made])}</strong>}
      </span>
      {ranged && (
        <input
          aria-label={`${say(c.name)}, ${warm ? degrees : c.unit}`}
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
        {ranged ? say("Enter") : say("OK")}
        <span className="sr-only">: {say(c.name)}</span>
      </button>
      {ranged && (
        <FromMeter
          fits={(m) => m.kind === METER_OF[c.unit ?? ""]}
          near={(Number(c.least) + Number(c.most)) / 2}
          say={say}
          onRead={(v) => setText(String(warm ? shownIn(degrees, v) : v))}
        />
      )}
    </li>
  );
}
