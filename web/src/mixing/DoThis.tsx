import { Checkbox, NumberInput } from "@mantine/core";
import { useEffect, useState } from "react";
import type { CoreText } from "../api/client";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import type { useSiteStream } from "../round/useSiteStream";
import { degrees, say, spoken, volumes } from "../shared/say";
import { useClock } from "../shared/session";
import { shownIn } from "../shared/temperature";
import { sentence, told } from "../shared/texts";
import { millilitresOf, smallUnit, smallVolumeIn } from "../shared/volume";
import { Pour } from "../solution/Pour";
import { correctedSinceRead, newLabel, type Solution } from "../solution/shelf";
import type { Card, Checked, Job, Pack, Table, Way } from "../solution/table";
import { type Asked, ENDS, endOf } from "./asked";
import { Mend } from "./Mend";
import type { Put } from "./useAsked";

type Props = {
  table: Table;
  asked: Asked;
  job: Job;
  mixed: Card | { outside: CoreText };
  /** Whether the container is older than its label allows. */
  tooOld: boolean;
  /** What the instrument shows, and how warm it was, where it was read. */
  seen: { shows: number; celsius: number; checked?: Checked };
  solutions: Solution[];
  site: ReturnType<typeof useSiteStream>;
  /** Whether whoever is signed in mixes. */
  may: boolean;
  put: Put;
  /** The reading has been dealt with. */
  onRead: () => void;
};

/** What to pour, what to write down, and what stands in the way of it. */
export function DoThis({ table, asked, job, mixed, tooOld, seen, solutions, site, may, put, onRead }: Props) {
  const { product, vessel, litres, brim, celsius, hot, by } = asked;
  const { shows: s, celsius: st, checked } = seen;
  const { pack } = table;
  const clock = useClock();
  const unit = degrees();
  const liquid = volumes();
  const [done, setDone] = useState<string | null>(null);
  const [less, setLess] = useState<number | null>(null);
  const card = mixed.outside === undefined ? (mixed as Card) : undefined;
  const standing = vessel && solutions.find((x) => x.vessel === vessel.id && x.emptiedAt === undefined);
  const mine = standing?.label !== undefined && standing.chemical === product.id ? standing : undefined;
  const waits = mine && correctedSinceRead(mine) ? mine.corrections.at(-1) : undefined;

  const last = mine?.readings.at(-1);
  const kept = !waits && last?.mgPerL === s && last.celsius === st;

  useEffect(() => {
    if (site.refusal) {
      setDone(null);
    }
  }, [site.refusal]);

  /** Until when it holds if it is mixed at a moment. */
  function endsIf(at: number, mgPerL: number | undefined) {
    const mixedAs = mgPerL === undefined ? undefined : { at, mgPerL, celsius };
    const answer = table.changeBy(job, at, mixedAs, []);
    return answer.outside === undefined ? answer : undefined;
  }
  const ends = card && endsIf(tabletNow(), card.then);

  function made() {
    if (!card || !vessel) {
      return;
    }
    const label = newLabel();
    // A container that ran empty gave less than its share.
    const share = less === null ? 1 : less / (card.concentrateMl ?? less);
    const gives = card.then === undefined ? undefined : card.then * share;
    const ends = endsIf(tabletNow(), gives);
    const until = ends?.at ?? tabletNow() + product.lifeMinutes * 60_000;
    const why = ends?.why;
    site.write(
      enter.solutionMade({
        vessel: vessel.id,
        chemical: product.id,
        litres,
        mgPerL: gives,
        label,
        celsius,
        ph: product.sanitizes ? asked.ph : undefined,
        until,
        why,
        purpose: asked.purpose,
      }),
    );
    setLess(null);
    setDone(
      why
        ? say(
            "mixing.mixing.made-why",
            "Written down: label {0}, change by {1}: {2}.",
            label,
            clock.time(until),
            ENDS[why],
          )
        : say("mixing.mixing.made", "Written down: label {0}, change by {1}.", label, clock.time(until)),
    );
  }

  function readAs(s: Solution, mgPerL: number, at: number) {
    const ends = endOf(table, job, s, { at, mgPerL, celsius: st });
    return enter.solutionRead(s.label ?? "", by?.id ?? "", mgPerL, st, at, ends);
  }

  return (
    <section className="mixing-right" aria-label={say("mixing.mixing.do-this", "Do this")} aria-live="polite">
      <h2>
        {say("mixing.mixing.do-this", "Do this")}
        <span className="only-print">
          {" "}
          {product.name}, {told(vessel?.name ?? "")}, {shownIn(unit, celsius)} {unit}
        </span>
      </h2>
      {mixed.outside !== undefined && <p className="note stop">{sentence(mixed.outside)}</p>}
      {mine && !checked && <Holds solution={mine} vessel={told(vessel?.name ?? "")} />}
      {card && !checked && !standing && (
        <>
          <Pour card={card} product={product} />
          {card.problems.length === 0 && ends && (
            <p>
              {say(
                "mixing.mixing.until",
                "Mixed now, use it until {0}: {1}.",
                clock.time(ends.at),
                ENDS[ends.why],
              )}
            </p>
          )}
          <Taps table={table} hot={hot} cold={pack.tapCelsius} celsius={celsius} litres={card.water} />
          {card.problems.length === 0 && card.concentrateMl !== undefined && (
            <button className="btn small no-print" type="button" onClick={() => window.print()}>
              {say("mixing.mixing.print-card", "Print this for the wall")}
            </button>
          )}
        </>
      )}
      {checked && <Mend checked={checked} product={product} litres={litres} />}
      {checked && by && mine && farFrom(mine, s) && (
        <p className="note stop">
          {say(
            "mixing.mixing.far-from",
            "{0} mg/L were mixed at {1}, and {2} shows {3}. Read it with a second one before anything is added.",
            Math.round(mine.mgPerL ?? 0),
            clock.time(mine.at),
            told(by.name),
            s,
          )}
        </p>
      )}
      {checked && by && stuck(solutions, by.id, s, mine?.label) && (
        <p className="note stop">
          {say(
            "mixing.mixing.stuck",
            "{0} has shown exactly {1} mg/L in other solutions before. Read with a second one before you believe it.",
            told(by.name),
            s,
          )}
        </p>
      )}
      {site.refusal && (
        <p className="note stop" role="alert">
          {site.refusal}
        </p>
      )}
      {done && !site.refusal && (
        <p className="note done" role="status">
          {done}
        </p>
      )}
      {waits && !checked && (
        <p className="note stop">
          {say(
            "mixing.mixing.corrected-by",
            "{0} corrected it at {1}, and nobody has read it since. Read it before anything else goes in.",
            waits.who,
            clock.time(waits.at),
          )}
        </p>
      )}
      {standing && !mine && (
        <p className="note stop">
          {say(
            "mixing.mixing.vessel-holds",
            "{0} still holds {1}, made {2}. Empty it and wash it out first.",
            told(vessel?.name ?? ""),
            nameOf(pack, standing.chemical),
            clock.time(standing.at),
          )}
        </p>
      )}
      {may && (
        <div className="mixing-acts">
          {!checked && !standing && (
            <button
              className="btn main"
              type="button"
              disabled={
                !card || card.problems.length > 0 || !vessel || card.concentrateMl === undefined || tooOld
              }
              onClick={made}
            >
              {say("mixing.mixing.i-mixed-it", "I mixed it: write it down")}
            </button>
          )}
          {!checked && !standing && card?.concentrateMl !== undefined && card.problems.length === 0 && (
            <details className="mixing-empty">
              <summary>{say("mixing.mixing.ran-empty", "The container ran empty")}</summary>
              <NumberInput
                label={say("mixing.mixing.went-in", "What went in, {0}", smallUnit(liquid))}
                description={say(
                  "mixing.mixing.ran-empty-then",
                  "It is written down as weak as it is. Open another container, read it and correct it.",
                )}
                min={0}
                max={smallVolumeIn(liquid, card.concentrateMl)}
                clampBehavior="strict"
                value={less === null ? "" : smallVolumeIn(liquid, less)}
                onChange={(v) => setLess(typeof v === "number" ? millilitresOf(liquid, v) : null)}
              />
            </details>
          )}
          {checked && mine?.label && by && (
            <button
              className="btn main"
              type="button"
              disabled={kept}
              onClick={() => {
                site.write(readAs(mine, s, tabletNow()));
                // What is out of range stays in sight until it is mended.
                if (checked.outcome === "IN") {
                  onRead();
                }
                setDone(say("mixing.mixing.reading-kept", "Reading written down for {0}.", mine.label));
              }}
            >
              {say("mixing.mixing.keep-reading", "Write the reading down for {0}", mine.label)}
            </button>
          )}
          {checked && mine?.label && checked.ways[0] && WAYS[checked.ways[0].kind] && (
            <button
              className="btn"
              type="button"
              onClick={() => {
                const w = checked.ways[0];
                // A correction answers a reading; so it stands before it.
                if (by && !kept) {
                  site.write(readAs(mine, s, tabletNow()));
                }
                site.write(
                  enter.solutionCorrected(
                    mine.label ?? "",
                    WAYS[w.kind] ?? "",
                    w.litres,
                    w.drained,
                    tabletNow(),
                  ),
                );
                put({ litres: Math.min(brim, Math.round((litres - w.drained + w.litres) * 100) / 100) });
                onRead();
                setDone(say("mixing.mixing.corrected", "Written down. Stir, wait a minute and read again."));
              }}
            >
              {say("mixing.mixing.i-did-it", "I did it: read again")}
            </button>
          )}
          {standing && (
            <Emptied
              onEmptied={(rinsed) => {
                site.write(enter.vesselEmptied(standing.vessel, rinsed));
                onRead();
                setDone(
                  say("mixing.mixing.emptied", "Written down: {0} is empty.", told(vessel?.name ?? "")),
                );
              }}
              kind={product.kind}
              due={standing.standing === "OVER"}
            />
          )}
          {mine?.label && (
            <a
              className="btn"
              href={`/api/prints/solutions/${mine.label}.pdf?paper=A6&language=${spoken()}`}
              target="_blank"
              rel="noreferrer"
            >
              {say("mixing.mixing.print-label", "Print label {0}", mine.label)}
            </a>
          )}
        </div>
      )}
      <p className="quiet mixing-foot">
        {say(
          "mixing.mixing.label-first",
          "The label of the product and the local code come first. Read it before use, whatever was computed here.",
        )}
      </p>
    </section>
  );
}

/** So soon after mixing nothing has faded to a small share of what went in. */
const JUST_MIXED_MS = 30 * 60_000;
const SHARE = 0.25;

/** Whether what is shown cannot be what was mixed just now: a dead meter, another product, nothing stirred in. */
const farFrom = (s: Solution, shows: number) =>
  s.mgPerL !== undefined &&
  s.corrections.length === 0 &&
  tabletNow() - s.at < JUST_MIXED_MS &&
  (shows < SHARE * s.mgPerL || shows * SHARE > s.mgPerL);

/** Whether a display has shown the same figure in two other solutions just before: it may be frozen. */
function stuck(solutions: Solution[], instrument: string, shows: number, label: string | undefined): boolean {
  const last = solutions
    .flatMap((x) => x.readings.map((r) => ({ ...r, label: x.label })))
    .filter((r) => r.instrument === instrument && r.label !== label)
    .sort((a, b) => b.at - a.at)
    .slice(0, 2);
  return last.length === 2 && last.every((r) => r.mgPerL === shows);
}

type TapsProps = { table: Table; hot: number; cold: number; celsius: number; litres: number };

/** How much comes from which tap, where the hot one is told. */
function Taps({ table, hot, cold, celsius, litres }: TapsProps) {
  if (hot <= 0 || litres <= 0) {
    return null;
  }
  const answer = table.compute("blend", {
    hot: `${hot}C`,
    cold: `${cold}C`,
    target: `${celsius}C`,
    volume: `${litres}L`,
  });
  const tenth = (x: number) => Math.round(x * 10) / 10;
  return answer.said !== undefined || !answer.result ? (
    <p className="note stop">{answer.said && sentence(answer.said)}</p>
  ) : (
    <p>
      {say(
        "mixing.mixing.taps",
        "Of the water {0} L cold, then {1} L hot. Measure after filling: the vessel takes some heat.",
        tenth(litres - answer.result.value),
        tenth(answer.result.value),
      )}
    </p>
  );
}

const nameOf = (pack: Pack, id: string) => pack.products.find((p) => p.id === id)?.name ?? id;

/** How a correction is called in the log. */
const WAYS: Partial<Record<Way["kind"], string>> = {
  ADD: "add",
  DRAIN_AND_ADD: "drain-and-add",
  WATER: "water",
  DRAIN_AND_FILL: "drain-and-fill",
  WARM: "warm",
};

/** What stands in the vessel, in place of how to fill it. */
function Holds({ solution: s, vessel }: { solution: Solution; vessel: string }) {
  const clock = useClock();
  const last = s.readings.at(-1);
  return (
    <>
      <p className={`note ${s.standing === "FRESH" || s.standing === "SOON" ? "done" : "stop"}`}>
        <strong>{say("mixing.holds.what", "In {0}: {1}.", vessel, s.label ?? "–")}</strong>{" "}
        {last
          ? say("mixing.holds.read", "{0} mg/L, read {1} by {2}.", last.mgPerL, clock.time(last.at), last.who)
          : s.mgPerL === undefined
            ? say("mixing.holds.by-volume", "Dosed by volume; nothing reads it.")
            : say("mixing.holds.not-read", "{0} mg/L as mixed, not read yet.", Math.round(s.mgPerL))}{" "}
        {s.until !== undefined &&
          (s.standing === "OVER"
            ? say("mixing.holds.over", "It was to be changed by {0}.", clock.time(s.until))
            : say("mixing.holds.until", "Use it until {0}.", clock.time(s.until)))}
      </p>
      {s.mgPerL !== undefined && (s.readings.length === 0 || s.standing === "UNREAD") && (
        <p>{say("mixing.holds.read-it", "Read it, and enter what it shows under Check.")}</p>
      )}
      <p className="quiet">
        {say("mixing.holds.by-hand", "No printer, or no signal? Write {0} onto it by hand.", s.label ?? "–")}
      </p>
    </>
  );
}

const ALONE = ["CHLORINE", "ACID", "PAA", "CAUSTIC"];

type EmptiedProps = { kind: string; due: boolean; onEmptied: (rinsed: boolean) => void };

function Emptied({ kind, due, onEmptied }: EmptiedProps) {
  const [rinsed, setRinsed] = useState(true);
  return (
    <details className="mixing-empty" open={due}>
      <summary>{say("mixing.mixing.pour-it-out", "Pour it out")}</summary>
      <p className="quiet">
        {say(
          "mixing.mixing.where-it-goes",
          "Into a drain where no food and no clean part is, slowly, with water after it.",
        )}{" "}
        {ALONE.includes(kind) &&
          say(
            "mixing.mixing.alone-in-the-drain",
            "Alone: chlorine and acid in one drain give off a gas that kills.",
          )}
      </p>
      <Checkbox
        label={say("mixing.mixing.washed-out", "washed out and rinsed")}
        checked={rinsed}
        onChange={(e) => setRinsed(e.currentTarget.checked)}
      />
      <button className="btn" type="button" onClick={() => onEmptied(rinsed)}>
        {say("mixing.mixing.it-is-empty", "It is poured out")}
      </button>
    </details>
  );
}
