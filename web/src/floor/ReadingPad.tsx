import { useState } from "react";
import type { Schemas } from "../api/client";
import { judge, type Outcome, type Pack } from "../round/core";
import { Figure, StrengthDial } from "../round/Dials";
import { FromMeter } from "../round/FromMeter";
import { degrees, say } from "../shared/say";
import { celsiusOf, shownIn } from "../shared/temperature";
import { told } from "../shared/texts";
import type { Believed, Registered } from "../solution/register";

type Props = {
  pack: Pack;
  step: string;
  plan: Schemas["ReadingPlan"];
  last: Schemas["ReadingState"] | undefined;
  onReading: (instrument: string, mgPerL: number, celsius: number) => void;
  onCorrective: (text: string) => void;
  /** How far each instrument can be believed, where this device knows it. */
  register?: Registered[];
};

const BELIEVED: Partial<Record<Believed, string>> = {
  DUE: say("floor.reading-pad.check-due", "check is due"),
  NEVER: say("floor.reading-pad.never-checked", "never checked"),
  LOT_UNCHECKED: say("floor.reading-pad.lot-unchecked", "lot not checked"),
  LOT_EXPIRED: say("floor.reading-pad.lot-expired", "lot expired"),
  FAILED: say("floor.reading-pad.failed-its-check", "failed its check"),
};

const WORDS: Record<Outcome, string> = {
  IN: say("floor.reading-pad.in-range-the-whole-of-it", "In range, the whole of it."),
  OUT: say("floor.reading-pad.out-of-range-this-will-not", "Out of range. This will not sanitize."),
  CANNOT_TELL: say("floor.reading-pad.cant-tell-with-this-instrument", "Can’t tell with this instrument."),
};

const DONE = [
  say("floor.reading-pad.added-concentrate-and-stirred", "Added concentrate and stirred"),
  say("floor.reading-pad.added-water-and-stirred", "Added water and stirred"),
  say("floor.reading-pad.warmed-it", "Warmed it"),
  say("floor.reading-pad.mixed-a-new-solution", "Mixed a new solution"),
];

export function ReadingPad(p: Props) {
  const unit = degrees();
  const takes = p.plan.instruments;
  // Packs from before that was kept take any.
  const instruments = p.pack.instruments.filter((i) => !takes || takes.includes(i.id));
  const believed = (id: string) => p.register?.find((r) => r.id === id);
  const [instrument, setInstrument] = useState(
    instruments.find((i) => believed(i.id)?.usable !== false) ?? instruments[0],
  );
  const [strength, setStrength] = useState("");
  const [temperature, setTemperature] = useState("");
  const [other, setOther] = useState("");
  const last = p.last;
  const failed = last !== undefined && last.outcome !== "IN";

  const s = strength.trim() === "" ? Number.NaN : Number(strength.replace(",", "."));
  const t = temperature.trim() === "" ? Number.NaN : celsiusOf(unit, Number(temperature.replace(",", ".")));
  const warmth = Number.isFinite(t) && t >= -10 && t <= 110;
  const judged = Number.isFinite(s) && warmth ? judge(p.pack, p.step, instrument.id, s, t) : null;
  const preview = judged?.outcome;

  const read =
    last &&
    say("floor.reading-pad.mg-l", "{0} mg/L, {1} {2}", last.strength, shownIn(unit, last.temperature), unit);
  if (failed && !last.corrected) {
    return (
      <section className="pad bad" aria-label={say("floor.reading-pad.correct-it", "Correct it")}>
        <p className="pad-read">{read}</p>
        <p className="pad-advice" role="alert">
          {last.advice ? told(last.advice) : WORDS[last.outcome]}
        </p>
        <p>{say("floor.reading-pad.corrective-action", "Corrective action")}</p>
        <div className="pad-grid">
          {DONE.map((d) => (
            <button key={d} className="floor-btn" type="button" onClick={() => p.onCorrective(d)}>
              {told(d)}
            </button>
          ))}
        </div>
        <label className="pad-other">
          {say("floor.reading-pad.something-else", "Something else")}
          <input value={other} maxLength={2000} onChange={(e) => setOther(e.currentTarget.value)} />
        </label>
        {other.trim() && (
          <button className="floor-btn" type="button" onClick={() => p.onCorrective(other.trim())}>
            {say("floor.reading-pad.record-it", "Record it")}
          </button>
        )}
      </section>
    );
  }

  if (last?.outcome === "IN") {
    return (
      <section className="pad good" aria-label={say("floor.reading-pad.reading", "Reading")}>
        <p className="pad-read">{read}</p>
        <p>{last.advice ? told(last.advice) : WORDS.IN}</p>
      </section>
    );
  }

  return (
    <section className="pad" aria-label={say("floor.reading-pad.reading", "Reading")}>
      <p className="pad-planned">
        {failed ? `${say("floor.reading-pad.read-again", "Read again.")} ` : ""}
        {say("floor.reading-pad.planned", "{0}, planned {1}", p.plan.chemical, told(p.plan.planned))}
      </p>
      <div
        className="pad-grid"
        role="radiogroup"
        aria-label={say("floor.reading-pad.instrument", "Instrument")}
      >
        {instruments.map((i) => (
          // biome-ignore lint/a11y/useSemanticElements: a large target with two lines of text
          <button
            key={i.id}
            className="floor-btn pick"
            type="button"
            role="radio"
            aria-checked={i.id === instrument.id}
            disabled={believed(i.id)?.usable === false}
            onClick={() => {
              setInstrument(i);
              setStrength("");
            }}
          >
            {told(i.name)}
            {BELIEVED[believed(i.id)?.standing ?? "GOOD"] && (
              <small> {BELIEVED[believed(i.id)?.standing ?? "GOOD"]}</small>
            )}
          </button>
        ))}
      </div>
      <StrengthDial
        by={instrument}
        label={say("floor.reading-pad.strength", "Strength")}
        value={strength}
        onChange={setStrength}
      />
      <FromMeter
        fits={(m) => m.id === instrument.id}
        near={p.plan.bands[0]?.leastMgPerL * 1.15}
        onRead={(v) => setStrength(String(v))}
      />
      <Figure
        label={say("floor.reading-pad.temperature", "Temperature")}
        unit={unit}
        step={1}
        value={temperature}
        onChange={setTemperature}
      />
      <FromMeter
        fits={(m) => m.kind === "THERMOMETER" && !m.due}
        near={20}
        onRead={(v) => setTemperature(String(shownIn(unit, v)))}
      />
      <p className={`pad-preview ${preview?.toLowerCase() ?? ""}`} aria-live="polite">
        {preview
          ? WORDS[preview]
          : strength && (!Number.isFinite(s) || judged?.outside)
            ? say(
                "floor.reading-pad.strength-is-a-number-from-0",
                "Strength is a number from 0 to 1,000,000 mg/L.",
              )
            : temperature && !warmth
              ? say(
                  "floor.reading-pad.temperature-is-a-number-from-10",
                  "Temperature is a number from -10 to 110 °C.",
                )
              : say(
                  "floor.reading-pad.enter-both-figures-as-the-instrument",
                  "Enter both figures as the instrument shows them.",
                )}
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
        {say("floor.reading-pad.enter-the-reading", "Enter the reading")}
      </button>
    </section>
  );
}
