import type { Ask, AtStep, PackStep, Stage } from "../round/core";
import { confirmed, lockOn } from "../round/entries";
import type { Round } from "../round/useRound";
import type { Say } from "../shared/texts";
import { LockInput } from "./OwnLock";

type Props = {
  step: PackStep;
  now: AtStep;
  still: boolean;
  say: Say;
  write: Round["write"];
  onMoved: () => void;
  onLocks: () => void;
};

/** What is confirmed one by one: each energy along its path, who is clear, which piece is at its mark. */
export function Asks({ step, now, still, say, write, onMoved, onLocks }: Props) {
  return (
    <ul className="floor-asks">
      {step.asks.map((a) => {
        const done = now.holds.includes(a.id);
        const stage = now.energies[a.item];
        return (
          <li key={a.id} className={done ? "done" : ""}>
            {stage && <EnergyLine stage={stage} say={say} />}
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

const TITLE: Record<string, string> = {
  UNPLUG: "{0}: the plug is out and in sight",
  ISOLATE: "{0}: isolated",
  LOCK: "{0}: your own lock is on",
  TAG: "{0}: tagged, and the second measure is taken",
  RELIEVE: "{0}: released, no stored energy left",
  PROVE: "{0}: tried, does not start",
  UNLOCK: "{0}: every lock is off",
  RESTORE: "{0}: back on",
  TOOLS_OUT: "No tool is left in the machine",
  PEOPLE_CLEAR: "Everybody is clear of the machine and knows that it will run",
  GUARDS_ON: "All guards are on",
  POSITION: "{0}: back in its own place",
  WEAR: "{0}: checked for wear",
  FLOW: "{0}: connected for this direction",
  CHASED: "{0} run off and discarded",
  REPEAT: "Rinse {0} done",
  PHOTO: "Photo taken",
  WARM: "Told to the person who starts it: warm up {0}",
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
        onLock={(number) => write(lockOn(step.id, ask.item, number))}
      />
    );
  }
  if (ask.kind === "PHOTO") {
    return <span className="ask-hint">{say("Take it with the camera of this step.")}</span>;
  }
  if (ask.kind === "UNLOCK") {
    return (
      <button className="floor-btn" type="button" onClick={onLocks}>
        {say("Take off my lock")}
      </button>
    );
  }
  return (
    <button className="floor-btn" type="button" onClick={() => write(confirmed(step.id, ask.id))}>
      {ask.kind === "PROVE" ? say("It does not start") : say("Yes, confirmed")}
      <span className="sr-only">: {say(ask.name)}</span>
    </button>
  );
}

const STAGES: Record<Stage, string> = {
  LIVE: "live",
  CUT_OFF: "isolated",
  LOCKED: "locked",
  PROVED: "zero energy verified",
};

const CLASSES: Record<Stage, string> = {
  LIVE: "live",
  CUT_OFF: "isolated",
  LOCKED: "locked",
  PROVED: "proved",
};

/** A line that is whole when live, broken when cut off, knotted when locked, empty when proved dead. */
export function EnergyLine({ stage, say }: { stage: Stage; say: Say }) {
  return (
    <figure className={`energy-line ${CLASSES[stage]}`}>
      <svg viewBox="0 0 90 24" width="90" height="24" role="img" aria-label={say(STAGES[stage])}>
        {stage === "LIVE" && <path d="M2 12H88" />}
        {stage === "CUT_OFF" && <path d="M2 12H34M56 12H88" />}
        {stage === "LOCKED" && (
          <path d="M2 12H34C34 2 56 2 56 12S34 22 34 12C34 4 50 6 56 12M56 12H88" fill="none" />
        )}
        {stage === "PROVED" && <path d="M2 6V18M88 6V18" />}
      </svg>
      <figcaption>{say(STAGES[stage])}</figcaption>
    </figure>
  );
}
