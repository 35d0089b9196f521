import type { Schemas } from "../api/client";
import { Asks } from "./Asks";
import { Checks } from "./Checks";
import {
  clock,
  concerned,
  holds,
  missingLocks,
  type Pack,
  type PackStep,
  partOf,
  piecesOf,
  remaining,
} from "./fold";
import { Hold } from "./Hold";
import { OwnLock } from "./OwnLock";
import { Photo } from "./Photo";
import { ReadingPad } from "./ReadingPad";
import { Timers } from "./Timers";
import type { Say } from "./texts";
import type { Round } from "./useRound";
import { Where } from "./Where";

type Props = {
  step: PackStep;
  back: boolean;
  reader: boolean;
  pack: Pack;
  live: Round;
  who: string;
  sheet: Schemas["SheetView"] | undefined;
  say: Say;
  onTrouble: () => void;
  onMoved: () => void;
  onLocks: () => void;
  onBack: (() => void) | null;
  onReturn: () => void;
};

export function StepView(p: Props) {
  const { step, live, say, pack } = p;
  const { state } = live;
  const pieces = piecesOf(state, step);
  const taking = step.off.length > 0;
  const fitting = pieces.some((x) => x.key.startsWith("fitting:"));
  const moved = pieces.filter((x) => state.off.includes(x.key) === taking);
  const started = state.timers[step.id];
  const contactLeft =
    step.timer?.contact && started !== undefined ? remaining(pack, state, step.id, live.at) : null;
  const soak = step.waitsFor ? remaining(pack, state, step.waitsFor, live.at) : 0;
  const readingIn = !step.reading || state.readings[step.id]?.outcome === "IN";
  const asked = step.asks.filter((a) => holds(state, step, a));
  const noLock = missingLocks(state, step, p.who);
  const again = state.redo[step.id];
  const still = p.back || p.reader;
  const ready =
    moved.length === pieces.length &&
    readingIn &&
    noLock.length === 0 &&
    (!step.timer?.contact || contactLeft === 0) &&
    soak === 0 &&
    asked.length === step.asks.length &&
    step.checks.every((c) => state.checks[step.id]?.[c.id] === "IN");
  const onlyParts = again ? pack.rework.filter((r) => again.includes(r.item)).map((r) => say(r.name)) : [];

  return (
    <>
      <div className="floor-step">
        <section className="floor-words" aria-label={say("Step {0} of {1}", step.number, pack.steps.length)}>
          <p className="floor-verb">
            {step.number}. {say(step.verb)}
          </p>
          <h2>{say(step.title).replace(/^./, (c) => c.toUpperCase())}</h2>
          {again && (
            <p className="floor-again">
              {onlyParts.length > 0
                ? say("Once more, only for: {0}", onlyParts.join(", "))
                : say("Once more")}
            </p>
          )}
          <p className="floor-text">{say(step.words)}</p>
          {step.things.length > 0 && (
            <ul className="floor-things">
              {step.things.map((t) => (
                <li key={t}>{say(t)}</li>
              ))}
            </ul>
          )}
          {step.off[0]?.destination && (
            <p className="floor-text">
              {say("Put them:")} <strong>{say(step.off[0].destination)}</strong>
            </p>
          )}
          {step.caution && <p className="floor-caution">{say(step.caution)}</p>}
          {step.because && <p className="floor-because">{say(step.because)}</p>}
        </section>
        <section className="floor-side" aria-label={say("What to enter")}>
          {noLock.length > 0 && !still && (
            <OwnLock pack={pack} energies={noLock} say={say} step={step.id} write={live.write} />
          )}
          {step.reading
            ? !still && (
                <ReadingPad
                  plan={step.reading}
                  instruments={pack.instruments}
                  last={state.readings[step.id]}
                  say={say}
                  onReading={(f) => live.write(step.id, "reading", f)}
                  onCorrective={(text) => live.write(step.id, "corrective", [{ name: "text", text }])}
                />
              )
            : step.asks.length === 0 && <Where sheet={p.sheet} lit={step.where} say={say} />}
          {step.asks.length > 0 && (
            <Asks
              pack={pack}
              step={step}
              state={state}
              still={still}
              say={say}
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
                    ? say("Tap each as you fit it:")
                    : say("Tap each as you take it off again:")
                  : taking
                    ? say("Tap each piece as it comes off:")
                    : say("Tap each piece as it goes on:")}
              </p>
              <div className="floor-pieces">
                {pieces.map((x) => {
                  const tapped = state.off.includes(x.key) === taking;
                  return (
                    <button
                      key={x.key}
                      type="button"
                      className={`piece${tapped ? " tapped" : ""}${concerned(state, step, partOf(x.key)) ? "" : " aside"}`}
                      aria-pressed={tapped}
                      disabled={still}
                      onClick={() =>
                        live.write(step.id, state.off.includes(x.key) ? "piece-on" : "piece-off", [
                          { name: "piece", text: x.key },
                        ])
                      }
                    >
                      {tapped ? "✓ " : ""}
                      {say(x.name)}
                    </button>
                  );
                })}
              </div>
            </div>
          )}
          {step.checks.length > 0 && !still && (
            <Checks step={step} made={state.checks[step.id] ?? {}} say={say} write={live.write} />
          )}
          {step.timer?.contact && !still && readingIn && started === undefined && (
            <button className="floor-btn" type="button" onClick={() => live.write(step.id, "timer-started")}>
              {say("The last surface is wet: start {0} s", step.timer.seconds)}
            </button>
          )}
          {step.timer?.contact && !still && started !== undefined && (
            <button className="floor-btn" type="button" onClick={() => live.write(step.id, "contact-broken")}>
              {say("It dried: start anew")}
            </button>
          )}
        </section>
      </div>
      <div className="floor-strip">
        <Timers pack={pack} state={state} at={live.at} say={say} />
        {live.refusal && (
          <p className="floor-refusal" role="alert">
            {live.refusal}
            <button type="button" className="floor-ok" onClick={() => live.setRefusal(null)}>
              OK
            </button>
          </p>
        )}
      </div>
      <footer className="floor-foot">
        <button className="floor-btn" type="button" disabled={!p.onBack} onClick={p.onBack ?? undefined}>
          {say("Back")}
        </button>
        <button className="floor-btn" type="button" onClick={p.onTrouble} disabled={still}>
          {say("Something’s wrong")}
        </button>
        <Photo step={step.id} disabled={still} say={say} write={live.write} />
        {p.back ? (
          <button className="floor-btn now" type="button" onClick={p.onReturn}>
            {say("To the step that comes next")}
          </button>
        ) : (
          <Hold
            label={
              contactLeft
                ? say("Keep wet, {0}", clock(contactLeft))
                : soak > 0
                  ? say("Soaking, {0}", clock(soak))
                  : label(say, { pieces, moved, taking, readingIn, asked, step })
            }
            ready={ready && !p.reader}
            disabled={p.reader}
            onDone={() => live.write(step.id, "step-done")}
          />
        )}
      </footer>
    </>
  );
}

type Labelled = {
  pieces: Schemas["Piece"][];
  moved: Schemas["Piece"][];
  taking: boolean;
  readingIn: boolean;
  asked: Schemas["Ask"][];
  step: PackStep;
};

function label(say: Say, l: Labelled): string {
  if (l.moved.length < l.pieces.length) {
    return l.taking
      ? say("{0} of {1} off", l.moved.length, l.pieces.length)
      : say("{0} of {1} on", l.moved.length, l.pieces.length);
  }
  if (l.asked.length < l.step.asks.length) {
    return say("{0} of {1} confirmed", l.asked.length, l.step.asks.length);
  }
  if (!l.readingIn) {
    return say("A reading first");
  }
  if (l.pieces.length === 1) {
    return l.taking ? say("Hold: it is off") : say("Hold: it is on");
  }
  if (l.pieces.length > 1) {
    return l.taking
      ? say("Hold: all {0} are off", l.pieces.length)
      : say("Hold: all {0} are on", l.pieces.length);
  }
  return say("Hold: done");
}
