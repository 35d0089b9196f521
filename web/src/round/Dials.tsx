import "./dials.css";
import { useEffect, useState } from "react";
import { say, volumes } from "../shared/say";
import { siteNow } from "../shared/siteNow";
import { strengthUnit } from "../shared/volume";

/* What a reading is entered with: a figure, drops that are counted, the marks of a strip. */

type FigureProps = {
  label: string;
  unit: string;
  step: number;
  value: string;
  onChange: (v: string) => void;
};

export function Figure({ label, unit, step, value, onChange }: FigureProps) {
  const by = (d: number) => onChange(String(Math.max(0, (Number(value.replace(",", ".")) || 0) + d)));
  return (
    <div className="figure">
      <button
        className="floor-btn"
        type="button"
        aria-label={say("floor.reading-pad.less", "{0} less", label)}
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
        aria-label={say("floor.reading-pad.more", "{0} more", label)}
        onClick={() => by(step)}
      >
        +
      </button>
    </div>
  );
}

type DropsProps = { each: number; value: string; onChange: (v: string) => void };

/** Counted, not computed in the head: so many drops until the color turns, and what they mean. */
export function Drops({ each, value, onChange }: DropsProps) {
  const drops = value === "" ? "" : String(Math.round(Number(value) / each));
  return (
    <>
      <Figure
        label={say("floor.reading-pad.drops-until-it-turns", "Drops until the color turns")}
        unit={say("floor.reading-pad.mg-l-each", "{0} mg/L each", each)}
        step={1}
        value={drops}
        onChange={(v) =>
          onChange(v.trim() === "" || !(Number(v) >= 0) ? v : String(Math.round(Number(v)) * each))
        }
      />
      <p className="pad-planned" aria-live="polite">
        {drops !== "" && say("floor.reading-pad.drops-mean", "{0} drops: {1} mg/L at most", drops, value)}
      </p>
    </>
  );
}

type StripProps = { marks: number[]; value: string; onPick: (v: string) => void };

/**
 * The strip's scale by value and pattern, never by hue alone. What is seen between two marks is said so, not rounded
 * to one of them.
 */
export function Strip({ marks, value, onPick }: StripProps) {
  const [between, setBetween] = useState(false);
  const shown = between
    ? marks.slice(1).map((m, i) => ({
        value: (marks[i] + m) / 2,
        words: `${marks[i]}–${m}`,
        said: say("floor.reading-pad.to", "{0} to {1}", marks[i], m),
        lines: i,
      }))
    : marks.map((m, i) => ({ value: m, words: String(m), said: undefined, lines: i }));
  return (
    <>
      <div
        className="strip"
        role="radiogroup"
        aria-label={say("floor.reading-pad.strength-on-the-strip-mg-l", "Strength on the strip, mg/L")}
      >
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
        {between
          ? say("floor.reading-pad.it-is-on-a-mark", "It is on a mark")
          : say("floor.reading-pad.it-is-between-two-marks", "It is between two marks")}
      </button>
    </>
  );
}

/** A strip is dipped, and read within its window: before it has not turned, after it turns on. */
export function Dip({ dip, read, onLate }: { dip: number; read: number; onLate: () => void }) {
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (since === null) {
      return;
    }
    const tick = window.setInterval(() => setNow(siteNow()), 200);
    return () => window.clearInterval(tick);
  }, [since]);
  const gone = since === null ? 0 : Math.max(0, (now - since) / 1000);
  const late = since !== null && gone > dip + read;
  useEffect(() => {
    if (late) {
      onLate();
    }
  }, [late]);
  return (
    <div className="dip">
      <button
        className="floor-btn"
        type="button"
        onClick={() => {
          setNow(siteNow());
          setSince(siteNow());
        }}
      >
        {since === null
          ? say("round.dip.start", "Dip it: {0} s, then read within {1} s", dip, read)
          : say("round.dip.new-strip", "New strip")}
      </button>
      <p aria-live="polite" className={late ? "dip-late" : ""}>
        {since === null
          ? ""
          : late
            ? say("round.dip.too-late", "Too late to read: it turns on by itself. Take a new strip.")
            : gone < dip
              ? say("round.dip.in", "In the solution: {0} s", Math.ceil(dip - gone))
              : say(
                  "round.dip.read-now",
                  "Out, shake it once, read it now: {0} s",
                  Math.ceil(dip + read - gone),
                )}
      </p>
    </div>
  );
}

type StrengthProps = {
  by: { steps: number[]; perDrop?: number; dipSeconds?: number; readSeconds?: number };
  label: string;
  value: string;
  onChange: (value: string) => void;
};

/** A strength as its instrument shows it: on blocks, by counted drops, or as a figure. */
export function StrengthDial({ by, label, value, onChange }: StrengthProps) {
  if (by.steps.length > 0) {
    return (
      <div className="strip-and-time">
        {by.dipSeconds && by.readSeconds && (
          <Dip dip={by.dipSeconds} read={by.readSeconds} onLate={() => onChange("")} />
        )}
        <Strip marks={by.steps} value={value} onPick={onChange} />
      </div>
    );
  }
  return by.perDrop ? (
    <Drops each={by.perDrop} value={value} onChange={onChange} />
  ) : (
    <Figure label={label} unit={strengthUnit(volumes())} step={5} value={value} onChange={onChange} />
  );
}
