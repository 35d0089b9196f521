import { useState } from "react";
import type { Schemas } from "../api/client";
import { judge, type Outcome, type Pack } from "../round/core";
import { FromMeter } from "../round/FromMeter";
import { celsiusOf, shownIn } from "../shared/temperature";
import { type Say, useDegrees } from "../shared/texts";

type Props = {
  pack: Pack;
  step: string;
  plan: Schemas["ReadingPlan"];
  last: Schemas["ReadingState"] | undefined;
  say: Say;
  onReading: (instrument: string, mgPerL: number, celsius: number) => void;
  onCorrective: (text: string) => void;
};

const WORDS: Record<Outcome, string> = {
  IN: "In range, the whole of it.",
  OUT: "Out of range. This will not sanitize.",
  CANNOT_TELL: "Can’t tell with this instrument.",
};

const DONE = [
  "Added concentrate and stirred",
  "Added water and stirred",
  "Warmed it",
  "Mixed a new solution",
];

export function ReadingPad(p: Props) {
  const { say } = p;
  const degrees = useDegrees();
  const [instrument, setInstrument] = useState(p.pack.instruments[0]);
  const [strength, setStrength] = useState("");
  const [temperature, setTemperature] = useState("");
  const [other, setOther] = useState("");
  const last = p.last;
  const failed = last !== undefined && last.outcome !== "IN";

  const s = strength.trim() === "" ? Number.NaN : Number(strength.replace(",", "."));
  const t =
    temperature.trim() === "" ? Number.NaN : celsiusOf(degrees, Number(temperature.replace(",", ".")));
  const warmth = Number.isFinite(t) && t >= -10 && t <= 110;
  const judged = Number.isFinite(s) && warmth ? judge(p.pack, p.step, instrument.id, s, t) : null;
  const preview = judged?.outcome;

  if (failed && !last.corrected) {
    return (
      <section className="pad bad" aria-label={say("Correct it")}>
        <p className="pad-read">
          {last.strength} mg/L, {shownIn(degrees, last.temperature)} {degrees}
        </p>
        <p className="pad-advice" role="alert">
          {last.advice ? say(last.advice) : say(WORDS[last.outcome])}
        </p>
        <p>{say("Corrective action")}</p>
        <div className="pad-grid">
          {DONE.map((d) => (
            <button key={d} className="floor-btn" type="button" onClick={() => p.onCorrective(d)}>
              {say(d)}
            </button>
          ))}
        </div>
        <label className="pad-other">
          {say("Something else")}
          <input value={other} maxLength={2000} onChange={(e) => setOther(e.currentTarget.value)} />
        </label>
        {other.trim() && (
          <button className="floor-btn" type="button" onClick={() => p.onCorrective(other.trim())}>
            {say("Record it")}
          </button>
        )}
      </section>
    );
  }

  if (last?.outcome === "IN") {
    return (
      <section className="pad good" aria-label={say("Reading")}>
        <p className="pad-read">
          {last.strength} mg/L, {shownIn(degrees, last.temperature)} {degrees}
        </p>
        <p>{last.advice ? say(last.advice) : say(WORDS.IN)}</p>
      </section>
    );
  }

  return (
    <section className="pad" aria-label={say("Reading")}>
      <p className="pad-planned">
        {failed ? `${say("Read again.")} ` : ""}
        {say("{0}, planned {1}", p.plan.chemical, p.plan.planned)}
      </p>
      <div className="pad-grid" role="radiogroup" aria-label={say("Instrument")}>
        {p.pack.instruments.map((i) => (
          // biome-ignore lint/a11y/useSemanticElements: a large target with two lines of text
          <button
            key={i.id}
            className="floor-btn pick"
            type="button"
            role="radio"
            aria-checked={i.id === instrument.id}
            onClick={() => {
              setInstrument(i);
              setStrength("");
            }}
          >
            {say(i.name)}
          </button>
        ))}
      </div>
      {instrument.steps.length > 0 ? (
        <Strip say={say} marks={instrument.steps} value={strength} onPick={setStrength} />
      ) : (
        <Figure
          say={say}
          label={say("Strength")}
          unit="mg/L"
          step={5}
          value={strength}
          onChange={setStrength}
        />
      )}
      <FromMeter
        fits={(m) => m.id === instrument.id}
        near={p.plan.bands[0]?.leastMgPerL * 1.15}
        say={say}
        onRead={(v) => setStrength(String(v))}
      />
      <Figure
        say={say}
        label={say("Temperature")}
        unit={degrees}
        step={1}
        value={temperature}
        onChange={setTemperature}
      />
      <FromMeter
        fits={(m) => m.kind === "THERMOMETER" && !m.due}
        near={20}
        say={say}
        onRead={(v) => setTemperature(String(shownIn(degrees, v)))}
      />
      <p className={`pad-preview ${preview?.toLowerCase() ?? ""}`} aria-live="polite">
        {preview
          ? say(WORDS[preview])
          : strength && (!Number.isFinite(s) || judged?.outside)
            ? say("Strength is a number from 0 to 1,000,000 mg/L.")
            : temperature && !warmth
              ? say("Temperature is a number from -10 to 110 °C.")
              : say("Enter both figures as the instrument shows them.")}
      </p>
      <button
        className="floor-btn now"
        type="button"
        disabled={!preview}
        onClick={() => {
          p.onReading(instrument.id, s, t);
          setStrength("");
          setTemperature("");
        }}
      >
        {say("Enter the reading")}
      </button>
    </section>
  );
}

type FigureProps = {
  say: Say;
  label: string;
  unit: string;
  step: number;
  value: string;
  onChange: (v: string) => void;
};

function Figure({ say, label, unit, step, value, onChange }: FigureProps) {
  const by = (d: number) => onChange(String(Math.max(0, (Number(value.replace(",", ".")) || 0) + d)));
  return (
    <div className="figure">
      <button
        className="floor-btn"
        type="button"
        aria-label={say("{0} less", label)}
        onClick={() => by(-step)}
      >
        −
      </button>
      <label>
        <span>
          {label}, {unit}
        </span>
        <input
          inputMode="decimal"
          value={value}
          maxLength={12}
          onChange={(e) => onChange(e.currentTarget.value)}
        />
      </label>
      <button
        className="floor-btn"
        type="button"
        aria-label={say("{0} more", label)}
        onClick={() => by(step)}
      >
        +
      </button>
    </div>
  );
}

type StripProps = { say: Say; marks: number[]; value: string; onPick: (v: string) => void };

/**
 * The strip's scale by value and pattern, never by hue alone. What is seen between two marks is said so, not rounded
 * to one of them.
 */
function Strip({ say, marks, value, onPick }: StripProps) {
  const [between, setBetween] = useState(false);
  const shown = between
    ? marks.slice(1).map((m, i) => ({
        value: (marks[i] + m) / 2,
        words: `${marks[i]}–${m}`,
        said: say("{0} to {1}", marks[i], m),
        lines: i,
      }))
    : marks.map((m, i) => ({ value: m, words: String(m), said: undefined, lines: i }));
  return (
    <>
      <div className="strip" role="radiogroup" aria-label={say("Strength on the strip, mg/L")}>
        {shown.map((m) => (
          // biome-ignore lint/a11y/useSemanticElements: a patch of the scale with its pattern
          <button
            key={m.words}
            type="button"
            role="radio"
            aria-checked={value === String(m.value)}
            aria-label={m.said}
            className="strip-mark"
            onClick={() => onPick(String(m.value))}
          >
            <svg viewBox="0 0 40 26" width="100%" height="26" role="presentation">
              <path
                d={Array.from({ length: m.lines * 3 }, (_, k) => `M${2 + k * 3.2} 2V24`).join("")}
                stroke="#f2ece0"
                strokeWidth="1.6"
              />
            </svg>
            {m.words}
          </button>
        ))}
      </div>
      <button
        className="floor-btn strip-between"
        type="button"
        onClick={() => {
          setBetween(!between);
          onPick("");
        }}
      >
        {between ? say("It is on a mark") : say("It is between two marks")}
      </button>
    </>
  );
}
