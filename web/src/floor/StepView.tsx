import { useMemo } from "react";
import type { Schemas } from "../api/client";
import { type Actor, atStep, clock, type Pack, type PackStep, running } from "../round/core";
import * as entries from "../round/entries";
import type { Round } from "../round/useRound";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told } from "../shared/texts";
import type { Solution } from "../solution/shelf";
import { Asks } from "./Asks";
import { Checks } from "./Checks";
import { Hold } from "./Hold";
import { LastTime } from "./LastTime";
import { OwnLock } from "./OwnLock";
import { Photo } from "./Photo";
import { ReadingPad } from "./ReadingPad";
import { Timers } from "./Timers";
import { ToMix } from "./ToMix";
import { useBench } from "./useBench";
import { Where } from "./Where";
import { Which } from "./Which";

type Props = {
  step: PackStep;
  back: boolean;
  reader: boolean;
  pack: Pack;
  live: Round;
  actor: Actor;
  /** Null while it comes. */
  sheet: Schemas["SheetView"] | null | undefined;
  onTrouble: () => void;
  onMoved: () => void;
  onLocks: () => void;
  onBack: (() => void) | null;
  onReturn: () => void;
};

export function StepView(p: Props) {
  const { step, live, pack } = p;
  const { state } = live;
  const now = useMemo(
    () => atStep(pack, state, step.id, live.at, p.actor),
    [pack, state, step.id, live.at, p.actor],
  );
  const bench = useBench(p.actor);
  const times = useMemo(() => running(pack, state), [pack, state]);
  const pieces = [...step.off, ...step.on].filter((x) => now.pieces.includes(x.key));
  const taking = step.off.length > 0;
  const fitting = pieces.some((x) => x.key.startsWith("fitting:"));
  const moved = pieces.filter((x) => state.off.includes(x.key) === taking);
  const started = now.contact !== undefined;
  const again = state.redo[step.id];
  const still = p.back || p.reader;
  const onlyParts = again ? pack.rework.filter((r) => again.includes(r.item)).map((r) => told(r.name)) : [];

  return (
    <>
      <div className="floor-step">
        <section
          className="floor-words"
          aria-label={say(
            "floor.step-view.step-of",
            "Step {0} of {1}",
            step.number,
            // A loop is led through position by position under the number it is written with.
            Math.max(...pack.steps.map((s) => s.number)),
          )}
        >
          <p className="floor-verb">
            {step.number}. {told(step.verb)}
          </p>
          <h2>{told(step.title).replace(/^./, (c) => c.toUpperCase())}</h2>
          {again && (
            <p className="floor-again">
              {onlyParts.length > 0
                ? say("floor.step-view.once-more-only-for", "Once more, only for: {0}", onlyParts.join(", "))
                : say("floor.step-view.once-more", "Once more")}
            </p>
          )}
          <p className="floor-text">{told(step.words)}</p>
          {step.things.length > 0 && (
            <ul className="floor-things">
              {step.things.map((t) => (
                <li key={t}>{told(t)}</li>
              ))}
            </ul>
          )}
          {step.off[0]?.destination && (
            <p className="floor-text">
              {say("floor.step-view.put-them", "Put them:")} <strong>{told(step.off[0].destination)}</strong>
            </p>
          )}
          {step.on.length > 0 && <LastTime machine={pack.machine} pieces={step.on} />}
          {step.caution && <p className="floor-caution">{told(step.caution)}</p>}
          {step.because && <p className="floor-because">{told(step.because)}</p>}
        </section>
        <section className="floor-side" aria-label={say("floor.step-view.what-to-enter", "What to enter")}>
          {now.missingLocks.length > 0 && !still && (
            <OwnLock pack={pack} energies={now.missingLocks} step={step.id} write={live.write} />
          )}
          {/* Once it is read, it is mixed: what the reading says is what counts then. */}
          {step.mix && !still && !state.readings[step.id] && (
            <>
              {!state.solutions?.[step.id] && <ToMix key={step.id} mix={step.mix} />}
              <Which
                key={`which ${step.id}`}
                step={step.id}
                mix={step.mix}
                state={state}
                solutions={bench.solutions}
                vesselName={bench.vesselName}
                write={live.write}
              />
            </>
          )}
          {step.reading
            ? !still && (
                <ReadingPad
                  pack={pack}
                  step={step.id}
                  plan={step.reading}
                  last={state.readings[step.id]}
                  register={bench.register}
                  onReading={(by, mgPerL, celsius) =>
                    live.write(entries.reading(step.id, by, mgPerL, celsius))
                  }
                  onCorrective={(text) => live.write(entries.corrective(step.id, text))}
                />
              )
            : step.asks.length === 0 && <Where sheet={p.sheet} lit={step.where} />}
          {step.asks.length > 0 && (
            <Asks
              step={step}
              now={now}
              still={still}
              write={live.write}
              onMoved={p.onMoved}
              onLocks={p.onLocks}
            />
          )}
          {pieces.length > 0 && (
            <div>
              <p className="floor-tap">
                {fitting
                  ? taking
                    ? say("floor.step-view.tap-each-as-you-fit-it", "Tap each as you fit it:")
                    : say("floor.step-view.tap-each-as-you-take-it", "Tap each as you take it off again:")
                  : taking
                    ? say("floor.step-view.tap-each-piece-as-it-comes", "Tap each piece as it comes off:")
                    : say("floor.step-view.tap-each-piece-as-it-goes", "Tap each piece as it goes on:")}
              </p>
              <div className="floor-pieces">
                {pieces.map((x) => {
                  const tapped = state.off.includes(x.key) === taking;
                  return (
                    <button
                      key={x.key}
                      type="button"
                      className={`piece${tapped ? " tapped" : ""}${now.aside.includes(x.key) ? " aside" : ""}`}
                      aria-pressed={tapped}
                      disabled={still}
                      onClick={() =>
                        live.write(
                          (state.off.includes(x.key) ? entries.pieceOn : entries.pieceOff)(step.id, x.key),
                        )
                      }
                    >
                      {tapped ? "✓ " : ""}
                      {told(x.name)}
                    </button>
                  );
                })}
              </div>
            </div>
          )}
          {step.checks.length > 0 && !still && (
            <Checks step={step} made={state.checks[step.id] ?? {}} write={live.write} />
          )}
          {step.timer?.contact && !still && now.in && !started && (
            <button
              className="floor-btn"
              type="button"
              onClick={() => live.write(entries.timerStarted(step.id))}
            >
              {say(
                "floor.step-view.the-last-surface-is-wet-start",
                "The last surface is wet: start {0} s",
                step.timer.seconds,
              )}
            </button>
          )}
          {step.timer?.contact && !still && started && (
            <button
              className="floor-btn"
              type="button"
              onClick={() => live.write(entries.contactBroken(step.id))}
            >
              {say("floor.step-view.it-dried-start-again", "It dried: start again")}
            </button>
          )}
        </section>
      </div>
      <div className="floor-strip">
        <Timers running={times} at={live.at} />
        <RunsOut used={Object.values(state.solutions ?? {})} solutions={bench.solutions} />
        {live.refusal && (
          <p className="floor-refusal" role="alert">
            {live.refusal}
            <button type="button" className="floor-ok" onClick={() => live.setRefusal(null)}>
              {say("floor.step-view.ok", "OK")}
            </button>
          </p>
        )}
      </div>
      <footer className="floor-foot">
        <button className="floor-btn" type="button" disabled={!p.onBack} onClick={p.onBack ?? undefined}>
          {say("floor.step-view.back", "Back")}
        </button>
        <button className="floor-btn" type="button" onClick={p.onTrouble} disabled={still}>
          {say("floor.step-view.somethings-wrong", "Something’s wrong")}
        </button>
        <Photo step={step.id} disabled={still} write={live.write} />
        {p.back ? (
          <button className="floor-btn now" type="button" onClick={p.onReturn}>
            {say("floor.step-view.to-the-step-that-comes-next", "To the step that comes next")}
          </button>
        ) : (
          <Hold
            label={
              now.contact
                ? say("floor.step-view.contact-time", "Contact time, {0}", clock(now.contact))
                : now.soaking > 0
                  ? say("floor.step-view.soaking", "Soaking, {0}", clock(now.soaking))
                  : label({
                      pieces,
                      moved,
                      taking: fitting ? !taking : taking,
                      readingIn: now.in,
                      asked: now.holds,
                      step,
                    })
            }
            ready={now.ready && !p.reader}
            disabled={p.reader}
            onDone={() => live.write(entries.stepDone(step.id))}
          />
        )}
      </footer>
    </>
  );
}

/** A solution of this round that has to be changed soon, said before it is. */
function RunsOut({ used, solutions }: { used: string[]; solutions: Solution[] }) {
  const clock = useClock();
  const ending = solutions.filter(
    (s) => used.includes(s.label ?? "") && ["SOON", "OVER", "OUT"].includes(s.standing),
  );
  return ending.map((s) => (
    <p key={s.vessel} className="floor-refusal" role="alert">
      {s.standing === "SOON"
        ? say(
            "floor.step-view.change-soon",
            "Solution {0}: change it by {1}.",
            s.label,
            clock.time(s.until ?? 0),
          )
        : s.standing === "OVER"
          ? say("floor.step-view.too-old", "Solution {0} is too old: mix a new one.", s.label)
          : say("floor.step-view.poured-out", "Solution {0} is poured out: mix a new one.", s.label)}
    </p>
  ));
}

type Labelled = {
  pieces: Schemas["Piece"][];
  moved: Schemas["Piece"][];
  taking: boolean;
  readingIn: boolean;
  asked: string[];
  step: PackStep;
};

function label(l: Labelled): string {
  if (l.moved.length < l.pieces.length) {
    return l.taking
      ? say("floor.step-view.of-off", "{0} of {1} off", l.moved.length, l.pieces.length)
      : say("floor.step-view.of-on", "{0} of {1} on", l.moved.length, l.pieces.length);
  }
  if (l.asked.length < l.step.asks.length) {
    return say("floor.step-view.of-confirmed", "{0} of {1} confirmed", l.asked.length, l.step.asks.length);
  }
  if (!l.readingIn) {
    return say("floor.step-view.a-reading-first", "A reading first");
  }
  if (l.pieces.length === 1) {
    return l.taking
      ? say("floor.step-view.hold-it-is-off", "Hold: it is off")
      : say("floor.step-view.hold-it-is-on", "Hold: it is on");
  }
  if (l.pieces.length > 1) {
    return l.taking
      ? say("floor.step-view.hold-all-are-off", "Hold: all {0} are off", l.pieces.length)
      : say("floor.step-view.hold-all-are-on", "Hold: all {0} are on", l.pieces.length);
  }
  return say("floor.step-view.hold-done", "Hold: done");
}
