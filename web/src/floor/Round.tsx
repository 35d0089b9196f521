import "./floor.css";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { Link, useLocation, useParams } from "react-router";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../app/Dialog";
import { useSession } from "../app/session";
import { Hold } from "./Hold";
import { type EntryValue, entry, flush, note, refused, type State, send, waiting } from "./outbox";
import { ReadingPad } from "./ReadingPad";
import { Where } from "./Where";

type PackStep = Schemas["PackStep"];
type Pack = Schemas["RoundPack"];

const RETRY = 4000;

export default function Round() {
  const { round = "" } = useParams();
  const view = useQuery({
    queryKey: ["round", round],
    queryFn: () => unwrap(api.GET("/api/rounds/{id}", { params: { path: { id: round } } })),
    gcTime: 0,
  });
  if (view.isError) {
    return (
      <main className="floor floor-state" role="alert">
        <h1>This round cannot be shown</h1>
        <p>{message(view.error)}</p>
        <button className="floor-btn" type="button" onClick={() => view.refetch()}>
          Try again
        </button>
      </main>
    );
  }
  if (!view.data) {
    return <main className="floor floor-state">Loading the round…</main>;
  }
  return <Carry key={round} round={round} pack={view.data.pack} first={view.data.state} />;
}

type CarryProps = { round: string; pack: Pack; first: State };

function Carry({ round, pack, first }: CarryProps) {
  const session = useSession();
  const [state, setState] = useState(first);
  const [skew, setSkew] = useState(first.now - Date.now());
  const [kept, setKept] = useState(() => waiting(round).length);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [lost, setLost] = useState<"no signal" | "signed out">("no signal");
  const here = useLocation().pathname;
  const [looking, setLooking] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const [now, setNow] = useState(() => Date.now());
  const sheet = useQuery({
    queryKey: ["sheet", pack.machine],
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code: pack.machine } } })),
  });

  const take = useCallback((next: State | null) => {
    if (next) {
      setState(next);
      setSkew(next.now - Date.now());
      setLooking(null);
    }
  }, []);

  const push = useCallback(async () => {
    try {
      take(await flush(round));
      setRefusal(null);
      setLost("no signal");
    } catch (e) {
      const signedOut = e instanceof ApiProblem && e.status === 401;
      setRefusal(refused(e) ? message(e) : null);
      setLost(signedOut ? "signed out" : "no signal");
    } finally {
      setKept(waiting(round).length);
    }
  }, [round, take]);

  const write = useCallback(
    (step: string, kind: string, figures: EntryValue[] = []) => {
      note(round, entry(state.packHash, step, kind, figures));
      setKept(waiting(round).length);
      void push();
    },
    [push, round, state.packHash],
  );

  useEffect(() => {
    void push();
    const again = window.setInterval(() => {
      setNow(Date.now());
    }, 1000);
    const retry = window.setInterval(() => {
      if (waiting(round).length > 0) {
        void push();
      }
    }, RETRY);
    return () => {
      window.clearInterval(again);
      window.clearInterval(retry);
    };
  }, [push, round]);

  const currentIndex = pack.steps.findIndex((s) => s.id === state.current);
  const shownIndex = looking ? pack.steps.findIndex((s) => s.id === looking) : currentIndex;
  const step = shownIndex >= 0 ? pack.steps[shownIndex] : null;
  const back = looking !== null && looking !== state.current;
  const serverNow = now + skew;

  // Taps that are still on their way are shown as made.
  const off = new Set(state.off);
  for (const e of waiting(round)) {
    const piece = e.figures.find((f) => f.name === "piece")?.text;
    if (piece && e.kind === "piece-off") {
      off.add(piece);
    } else if (piece && e.kind === "piece-on") {
      off.delete(piece);
    }
  }

  return (
    <main className="floor">
      <header className="floor-head">
        <h1>
          {pack.machine} {pack.title}
        </h1>
        <span>{session.data?.name}</span>
        <span className="floor-grow" />
        {kept > 0 && (
          <output className="floor-signal">
            {lost}, {kept} {kept === 1 ? "entry" : "entries"} kept here
          </output>
        )}
        {lost === "signed out" && (
          <Link className="floor-leave" to="/sign-in" state={{ from: here }}>
            Sign in again
          </Link>
        )}
        <Link className="floor-leave" to="/floor">
          Machines
        </Link>
      </header>
      <Phases pack={pack} done={state.done} current={state.current} />
      {step ? (
        <StepView
          key={step.id}
          step={step}
          back={back}
          pack={pack}
          state={state}
          off={off}
          serverNow={serverNow}
          sheet={sheet.data}
          refusal={refusal}
          write={write}
          onWrong={() => setWrong(true)}
          onBack={shownIndex > 0 ? () => setLooking(pack.steps[shownIndex - 1].id) : null}
          onReturn={() => setLooking(null)}
          onRefusal={setRefusal}
        />
      ) : (
        <Closing round={round} pack={pack} state={state} take={take} write={write} />
      )}
      {wrong && step && (
        <SomethingWrong
          step={step}
          onClose={() => setWrong(false)}
          onWrite={(reason) => {
            write(step.id, "deviation", [{ name: "reason", text: reason }]);
            setWrong(false);
          }}
        />
      )}
    </main>
  );
}

function Phases({ pack, done, current }: { pack: Pack; done: string[]; current: string | undefined }) {
  const names = [...new Set(pack.steps.map((s) => s.phase))];
  const now = pack.steps.find((s) => s.id === current)?.phase;
  return (
    <ol className="floor-phases">
      {names.map((n) => {
        const own = pack.steps.filter((s) => s.phase === n);
        const finished = own.filter((s) => done.includes(s.id)).length;
        const words =
          finished === own.length ? `✓ ${n}` : n === now ? `${n}, ${finished + 1} of ${own.length}` : n;
        return (
          <li
            key={n}
            style={{ flex: own.length + 2 }}
            className={n === now ? "now" : ""}
            aria-current={n === now ? "step" : undefined}
          >
            <span>{words}</span>
            <svg width="100%" height="6" preserveAspectRatio="none" viewBox="0 0 100 6" role="presentation">
              <rect width="100" height="6" className="phase-rest" />
              <rect
                width={(100 * finished) / own.length}
                height="6"
                className={finished === own.length ? "phase-done" : "phase-now"}
              />
            </svg>
          </li>
        );
      })}
    </ol>
  );
}

type StepViewProps = {
  step: PackStep;
  back: boolean;
  pack: Pack;
  state: State;
  off: Set<string>;
  serverNow: number;
  sheet: Schemas["SheetView"] | undefined;
  refusal: string | null;
  write: (step: string, kind: string, figures?: EntryValue[]) => void;
  onWrong: () => void;
  onBack: (() => void) | null;
  onReturn: () => void;
  onRefusal: (text: string | null) => void;
};

function StepView(p: StepViewProps) {
  const { step, state } = p;
  const pieces = step.off.length > 0 ? step.off : step.on;
  const taking = step.off.length > 0;
  const moved = pieces.filter((x) => p.off.has(x.key) === taking);
  const started = state.timers[step.id];
  const contactLeft =
    step.timer?.contact && started !== undefined ? started + step.timer.seconds - p.serverNow / 1000 : null;
  const soak = step.waitsFor ? timerLeft(p.pack, state, step.waitsFor, p.serverNow) : null;
  const reading = state.readings[step.id];
  const readingIn = !step.reading || reading?.outcome === "IN";
  const ready =
    moved.length === pieces.length &&
    readingIn &&
    (!step.timer?.contact || (contactLeft !== null && contactLeft <= 0)) &&
    (soak === null || soak <= 0) &&
    step.checks.every((c) => state.checks[c.id] === true);
  const holdLabel =
    pieces.length > 0
      ? moved.length < pieces.length
        ? `${moved.length} of ${pieces.length} ${taking ? "off" : "on"}`
        : `Hold: ${pieces.length === 1 ? "it is" : `all ${pieces.length} are`} ${taking ? "off" : "on"}`
      : readingIn
        ? "Hold: done"
        : "A reading first";

  return (
    <>
      <div className="floor-step">
        <section className="floor-words" aria-label={`Step ${step.number} of ${p.pack.steps.length}`}>
          <p className="floor-verb">
            {step.number}. {step.verb}
          </p>
          <h2>{step.title.replace(/^./, (c) => c.toUpperCase())}</h2>
          <p className="floor-text">{step.words}</p>
          {step.things.length > 0 && (
            <ul className="floor-things">
              {step.things.map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ul>
          )}
          {step.off[0]?.destination && (
            <p className="floor-text">
              Put them: <strong>{step.off[0].destination}</strong>
            </p>
          )}
          {step.caution && <p className="floor-caution">{step.caution}</p>}
          {step.because && <p className="floor-because">{step.because}</p>}
        </section>
        <section className="floor-side" aria-label="What to enter">
          {step.reading ? (
            !p.back && (
              <ReadingPad
                plan={step.reading}
                instruments={p.pack.instruments}
                last={state.readings[step.id]}
                onReading={(f) => p.write(step.id, "reading", f)}
                onCorrective={(text) => p.write(step.id, "corrective", [{ name: "text", text }])}
              />
            )
          ) : (
            <Where sheet={p.sheet} lit={step.where} />
          )}
          {pieces.length > 0 && (
            <div>
              <p className="floor-tap">
                {taking ? "Tap each piece as it comes off:" : "Tap each piece as it goes on:"}
              </p>
              <div className="floor-pieces">
                {pieces.map((x) => {
                  const tapped = p.off.has(x.key) === taking;
                  return (
                    <button
                      key={x.key}
                      type="button"
                      className={`piece${tapped ? " tapped" : ""}`}
                      aria-pressed={tapped}
                      disabled={p.back}
                      onClick={() =>
                        p.write(step.id, p.off.has(x.key) ? "piece-on" : "piece-off", [
                          { name: "piece", text: x.key },
                        ])
                      }
                    >
                      {tapped ? "✓ " : ""}
                      {x.name}
                    </button>
                  );
                })}
              </div>
            </div>
          )}
          {step.checks.length > 0 && !p.back && <Checks step={step} made={state.checks} write={p.write} />}
          {step.timer?.contact &&
            !p.back &&
            state.readings[step.id]?.outcome === "IN" &&
            started === undefined && (
              <button className="floor-btn" type="button" onClick={() => p.write(step.id, "timer-started")}>
                The last surface is wet: start {step.timer.seconds} s
              </button>
            )}
        </section>
      </div>
      <div className="floor-strip">
        {Object.keys(state.timers)
          .map((id) => ({ id, step: p.pack.steps.find((s) => s.id === id) }))
          .filter((t) => t.step?.timer && !collected(p.pack, state, t.id))
          .map((t) => (
            <Timer
              key={t.id}
              name={(t.step?.timer?.name ?? "").replace(/^./, (c) => c.toUpperCase())}
              left={timerLeft(p.pack, state, t.id, p.serverNow)}
            />
          ))}
        {p.refusal && (
          <p className="floor-refusal" role="alert">
            {p.refusal}
            <button type="button" className="floor-ok" onClick={() => p.onRefusal(null)}>
              OK
            </button>
          </p>
        )}
      </div>
      <footer className="floor-foot">
        <button className="floor-btn" type="button" disabled={!p.onBack} onClick={p.onBack ?? undefined}>
          Back
        </button>
        <button className="floor-btn" type="button" onClick={p.onWrong} disabled={p.back}>
          Something’s wrong
        </button>
        {p.back ? (
          <button className="floor-btn now" type="button" onClick={p.onReturn}>
            To the step that comes next
          </button>
        ) : (
          <Hold
            label={
              contactLeft !== null && contactLeft > 0
                ? `Keep wet, ${clock(contactLeft)}`
                : soak !== null && soak > 0
                  ? `Soaking, ${clock(soak)}`
                  : holdLabel
            }
            ready={ready}
            onDone={() => p.write(step.id, "step-done")}
          />
        )}
      </footer>
    </>
  );
}

function timerLeft(pack: Pack, state: State, id: string, serverNow: number): number {
  const timer = pack.steps.find((s) => s.id === id)?.timer;
  const started = state.timers[id];
  return timer && started !== undefined ? started + timer.seconds - serverNow / 1000 : 0;
}

/** A soak is over for the eye once the step that waits for it is done; contact once its own step is. */
function collected(pack: Pack, state: State, id: string): boolean {
  const own = pack.steps.find((s) => s.id === id);
  const after = pack.steps.find((s) => s.waitsFor === id);
  return own?.timer?.contact ? state.done.includes(id) : after !== undefined && state.done.includes(after.id);
}

function clock(seconds: number): string {
  const s = Math.max(0, Math.ceil(seconds));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}`;
}

function Timer({ name, left }: { name: string; left: number }) {
  return (
    <div className={`floor-timer${left <= 0 ? " over" : ""}`} role="timer">
      <span>{name}</span>
      <strong>{left > 0 ? clock(left) : "time is up"}</strong>
    </div>
  );
}

type ChecksProps = {
  step: PackStep;
  made: Record<string, boolean>;
  write: (step: string, kind: string, figures?: EntryValue[]) => void;
};

function Checks({ step, made, write }: ChecksProps) {
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
              {c.name}
              {ranged && ` (${c.least} to ${c.most} ${c.unit})`}
              {ok === true && <strong> – right</strong>}
              {ok === false && <strong className="bad"> – outside its range</strong>}
            </span>
            {ranged && (
              <input
                aria-label={`${c.name}, ${c.unit}`}
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
              {ranged ? "Enter" : "It is right"}
              <span className="sr-only">: {c.name}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

const WRONG = ["A part is damaged", "A part is missing", "Out of chemical", "No hot water", "Interrupted"];

function SomethingWrong(p: { step: PackStep; onClose: () => void; onWrite: (reason: string) => void }) {
  const [reason, setReason] = useState("");
  const box = useRef<HTMLTextAreaElement>(null);
  return (
    <Dialog title={`What is wrong at step ${p.step.number}?`} onClose={p.onClose} dark>
      <p className="floor-caution">
        Injury or chemical in the eyes: help first, rinse with water, call the supervisor and the emergency
        number. Then write it down.
      </p>
      <div className="pad-grid">
        {WRONG.map((w) => (
          <button
            key={w}
            className="floor-btn"
            type="button"
            onClick={() => {
              setReason(reason ? reason : `${w}: `);
              box.current?.focus();
            }}
          >
            {w}
          </button>
        ))}
      </div>
      <label className="pad-other">
        What happened, and what was done otherwise than written
        <textarea
          ref={box}
          rows={3}
          maxLength={2000}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
      </label>
      <div className="pad-grid">
        <button className="floor-btn" type="button" onClick={p.onClose}>
          Nothing, back
        </button>
        <button
          className="floor-btn now"
          type="button"
          disabled={reason.trim().length < 5}
          onClick={() => p.onWrite(reason.trim())}
        >
          Write it into the record
        </button>
      </div>
    </Dialog>
  );
}

type ClosingProps = {
  round: string;
  pack: Pack;
  state: State;
  take: (s: State) => void;
  write: (step: string, kind: string, figures?: EntryValue[]) => void;
};

function Closing(p: ClosingProps) {
  const [pin, setPin] = useState("");
  const [error, setError] = useState<string | null>(null);
  const last = p.pack.steps.at(-1);

  async function close() {
    setError(null);
    try {
      const sent = { ...entry(p.state.packHash, last?.id ?? "", "round-closed", []), pin };
      p.take(await send(p.round, sent));
    } catch (e) {
      setError(message(e));
    } finally {
      setPin("");
    }
  }

  if (p.state.closed) {
    return (
      <section className="floor-state">
        <h2>Closed and signed</h2>
        <p>The round is in the logbook.</p>
        <Link className="floor-btn now" to={`/logbook/${p.round}`}>
          Read the record
        </Link>
      </section>
    );
  }
  return (
    <section className="floor-state">
      <h2>All {p.pack.steps.length} steps are done</h2>
      {p.state.off.length > 0 && (
        <div>
          <p className="floor-caution">
            Still off the machine. The round stays open until every piece is back; tap it when it is.
          </p>
          <div className="floor-pieces">
            {p.pack.steps
              .flatMap((s) => s.off.map((x) => ({ step: s.id, ...x })))
              .filter((x) => p.state.off.includes(x.key))
              .map((x) => (
                <button
                  key={x.key}
                  className="piece"
                  type="button"
                  onClick={() => p.write(x.step, "piece-on", [{ name: "piece", text: x.key }])}
                >
                  {x.name} is back on
                </button>
              ))}
          </div>
        </div>
      )}
      <p>Your PIN signs the round and hands it over.</p>
      <label className="pad-other">
        PIN
        <input
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={12}
          value={pin}
          onChange={(e) => setPin(e.currentTarget.value)}
        />
      </label>
      {error && (
        <p className="floor-refusal" role="alert">
          {error}
        </p>
      )}
      <Hold label="Hold: sign and close" ready disabled={pin.length < 4} onDone={close} />
    </section>
  );
}
