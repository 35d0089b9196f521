import { type Ask, holds, type Pack, type PackStep, type State } from "./fold";
import { LockInput } from "./OwnLock";
import type { Say } from "./texts";
import type { Round } from "./useRound";

type Props = {
  pack: Pack;
  step: PackStep;
  state: State;
  still: boolean;
  say: Say;
  write: Round["write"];
  onMoved: () => void;
  onLocks: () => void;
};

/** What is confirmed one by one: each energy along its path, who is clear, which piece is at its mark. */
export function Asks({ pack, step, state, still, say, write, onMoved, onLocks }: Props) {
  return (
    <ul className="floor-asks">
      {step.asks.map((a) => {
        const done = holds(state, step, a);
        const energy = ENERGY.has(a.kind);
        return (
          <li key={a.id} className={done ? "done" : ""}>
            {energy && <EnergyLine stage={stageOf(pack, state, a.item)} say={say} />}
            <div className="ask-words">
              <strong>{say(TITLE[a.kind] ?? a.kind, say(a.name))}</strong>
              {a.detail && <span>{say(a.detail)}</span>}
            </div>
            {done ? (
              <span className="ask-done">✓ {say("confirmed")}</span>
            ) : (
              !still && (
                <div className="ask-do">
                  <Do ask={a} step={step} say={say} write={write} onLocks={onLocks} />
                  {a.kind === "PROVE" && (
                    <button className="floor-btn moved" type="button" onClick={onMoved}>
                      {say("It moved")}
                    </button>
                  )}
                </div>
              )
            )}
          </li>
        );
      })}
    </ul>
  );
}

const ENERGY = new Set(["UNPLUG", "ISOLATE", "LOCK", "TAG", "RELIEVE", "PROVE", "UNLOCK", "RESTORE"]);

const TITLE: Record<string, string> = {
  UNPLUG: "{0}: the plug is out and in sight",
  ISOLATE: "{0}: cut off",
  LOCK: "{0}: your own lock is on",
  TAG: "{0}: tagged, and the second measure is taken",
  RELIEVE: "{0}: nothing is stored any more",
  PROVE: "{0}: tried, and it stays dead",
  UNLOCK: "{0}: every lock is off",
  RESTORE: "{0}: on again",
  TOOLS_OUT: "No tool is left in the machine",
  PEOPLE_CLEAR: "Everybody is clear of the machine and knows that it will run",
  GUARDS_ON: "All guards are on",
  POSITION: "{0}: back in its own place",
  WEAR: "{0}: looked at for wear",
  FLOW: "{0}: connected for this direction",
  CHASED: "{0} run off and thrown away",
  WARM: "Told to whoever starts it: warm up {0}",
};

function Do({
  ask,
  step,
  say,
  write,
  onLocks,
}: {
  ask: Ask;
  step: PackStep;
  say: Say;
  write: Round["write"];
  onLocks: () => void;
}) {
  if (ask.kind === "LOCK") {
    return (
      <LockInput
        label={say("Number on your lock")}
        say={say}
        onLock={(number) =>
          write(step.id, "lock-on", [
            { name: "energy", text: ask.item },
            { name: "lock", text: number },
          ])
        }
      />
    );
  }
  if (ask.kind === "UNLOCK") {
    return (
      <button className="floor-btn" type="button" onClick={onLocks}>
        {say("Take off my lock")}
      </button>
    );
  }
  return (
    <button
      className="floor-btn"
      type="button"
      onClick={() => write(step.id, "confirmed", [{ name: "ask", text: ask.id }])}
    >
      {ask.kind === "PROVE" ? say("It stays dead") : say("Yes, it is so")}
      <span className="sr-only">: {say(ask.name)}</span>
    </button>
  );
}

type Stage = "live" | "isolated" | "locked" | "proved";

/** How far an energy is along its path, by what was confirmed. */
export function stageOf(pack: Pack, state: State, energy: string): Stage {
  let stage: Stage = "live";
  for (const s of pack.steps) {
    for (const a of s.asks.filter((x) => x.item === energy)) {
      const said = (state.confirmed[s.id] ?? []).includes(a.id);
      if (said && (a.kind === "UNPLUG" || a.kind === "ISOLATE" || a.kind === "RELIEVE")) {
        stage = stage === "live" ? "isolated" : stage;
      } else if (said && a.kind === "TAG") {
        stage = "locked";
      } else if (said && a.kind === "PROVE") {
        stage = "proved";
      } else if (said && a.kind === "RESTORE") {
        stage = "live";
      }
    }
  }
  const locked = state.locks.some((l) => l.energy === energy);
  return locked && stage === "isolated" ? "locked" : stage;
}

const STAGES: Record<Stage, string> = {
  live: "live",
  isolated: "cut off",
  locked: "locked",
  proved: "proved dead",
};

/** A line that is whole when live, broken when cut off, knotted when locked, empty when proved dead. */
export function EnergyLine({ stage, say }: { stage: Stage; say: Say }) {
  return (
    <figure className={`energy-line ${stage}`}>
      <svg viewBox="0 0 90 24" width="90" height="24" role="img" aria-label={say(STAGES[stage])}>
        {stage === "live" && <path d="M2 12H88" />}
        {stage === "isolated" && <path d="M2 12H34M56 12H88" />}
        {stage === "locked" && (
          <path d="M2 12H34C34 2 56 2 56 12S34 22 34 12C34 4 50 6 56 12M56 12H88" fill="none" />
        )}
        {stage === "proved" && <path d="M2 6V18M88 6V18" />}
      </svg>
      <figcaption>{say(STAGES[stage])}</figcaption>
    </figure>
  );
}
