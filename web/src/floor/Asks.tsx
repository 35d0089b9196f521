import type { Ask, AtStep, PackStep, Stage } from "../round/core";
import { confirmed, lockOn } from "../round/entries";
import type { Round } from "../round/useRound";
import { fill, say } from "../shared/say";
import { told } from "../shared/texts";
import { LockInput } from "./OwnLock";

type Props = {
  step: PackStep;
  now: AtStep;
  still: boolean;
  write: Round["write"];
  onMoved: () => void;
  onLocks: () => void;
};

/** What is confirmed one by one: each energy along its path, who is clear, which piece is at its mark. */
export function Asks({ step, now, still, write, onMoved, onLocks }: Props) {
  return (
    <ul className="floor-asks">
      {step.asks.map((a) => {
        const done = now.holds.includes(a.id);
        const stage = now.energies[a.item];
        return (
          <li key={a.id} className={done ? "done" : ""}>
            {stage && <EnergyLine stage={stage} />}
            <div className="ask-words">
              <strong>{fill(TITLE[a.kind] ?? a.kind, told(a.name))}</strong>
              {a.detail && <span>{told(a.detail)}</span>}
            </div>
            {done ? (
              <span className="ask-done">✓ {say("floor.asks.confirmed", "confirmed")}</span>
            ) : (
              !still && (
                <div className="ask-do">
                  <Do ask={a} step={step} write={write} onLocks={onLocks} />
                  {a.kind === "PROVE" && (
                    <button className="floor-btn moved" type="button" onClick={onMoved}>
                      {say("floor.asks.it-moved", "It moved")}
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
  UNPLUG: say("floor.asks.the-plug-is-out-and-in", "{0}: the plug is out and in sight"),
  ISOLATE: say("floor.asks.isolated", "{0}: isolated"),
  LOCK: say("floor.asks.your-own-lock-is-on", "{0}: your own lock is on"),
  TAG: say("floor.asks.tagged-and-the-second-measure-is", "{0}: tagged, and the second measure is taken"),
  RELIEVE: say("floor.asks.released-no-stored-energy-left", "{0}: released, no stored energy left"),
  PROVE: say("floor.asks.tried-does-not-start", "{0}: tried, does not start"),
  UNLOCK: say("floor.asks.every-lock-is-off", "{0}: every lock is off"),
  RESTORE: say("floor.asks.back-on", "{0}: back on"),
  TOOLS_OUT: say("floor.asks.no-tool-is-left-in-the", "No tool is left in the machine"),
  PEOPLE_CLEAR: say(
    "floor.asks.everybody-is-clear-of-the-machine",
    "Everybody is clear of the machine and knows that it will run",
  ),
  GUARDS_ON: say("floor.asks.all-guards-are-on", "All guards are on"),
  POSITION: say("floor.asks.back-in-its-own-place", "{0}: back in its own place"),
  WEAR: say("floor.asks.checked-for-wear", "{0}: checked for wear"),
  FLOW: say("floor.asks.connected-for-this-direction", "{0}: connected for this direction"),
  CHASED: say("floor.asks.run-off-and-discarded", "{0} run off and discarded"),
  REPEAT: say("floor.asks.rinse-done", "Rinse {0} done"),
  PHOTO: say("floor.asks.photo-taken", "Photo taken"),
  WARM: say("floor.asks.told-to-the-person-who-starts", "Told to the person who starts it: warm up {0}"),
};

function Do({
  ask,
  step,
  write,
  onLocks,
}: {
  ask: Ask;
  step: PackStep;
  write: Round["write"];
  onLocks: () => void;
}) {
  if (ask.kind === "LOCK") {
    return (
      <LockInput
        label={say("floor.asks.number-on-your-lock", "Number on your lock")}
        onLock={(number) => write(lockOn(step.id, ask.item, number))}
      />
    );
  }
  if (ask.kind === "PHOTO") {
    return (
      <span className="ask-hint">
        {say("floor.asks.take-it-with-the-camera-of", "Take it with the camera of this step.")}
      </span>
    );
  }
  if (ask.kind === "UNLOCK") {
    return (
      <button className="floor-btn" type="button" onClick={onLocks}>
        {say("floor.asks.take-off-my-lock", "Take off my lock")}
      </button>
    );
  }
  return (
    <button className="floor-btn" type="button" onClick={() => write(confirmed(step.id, ask.id))}>
      {ask.kind === "PROVE"
        ? say("floor.asks.it-does-not-start", "It does not start")
        : say("floor.asks.yes-confirmed", "Yes, confirmed")}
      <span className="sr-only">: {told(ask.name)}</span>
    </button>
  );
}

const STAGES: Record<Stage, string> = {
  LIVE: say("floor.asks.live", "live"),
  CUT_OFF: say("floor.asks.isolated-2", "isolated"),
  LOCKED: say("floor.asks.locked", "locked"),
  PROVED: say("floor.asks.zero-energy-verified", "zero energy verified"),
};

const CLASSES: Record<Stage, string> = {
  LIVE: "live",
  CUT_OFF: "isolated",
  LOCKED: "locked",
  PROVED: "proved",
};

/** A line that is whole when live, broken when cut off, knotted when locked, empty when proved dead. */
export function EnergyLine({ stage }: { stage: Stage }) {
  return (
    <figure className={`energy-line ${CLASSES[stage]}`}>
      <svg viewBox="0 0 90 24" width="90" height="24" role="img" aria-label={STAGES[stage]}>
        {stage === "LIVE" && <path d="M2 12H88" />}
        {stage === "CUT_OFF" && <path d="M2 12H34M56 12H88" />}
        {stage === "LOCKED" && (
          <path d="M2 12H34C34 2 56 2 56 12S34 22 34 12C34 4 50 6 56 12M56 12H88" fill="none" />
        )}
        {stage === "PROVED" && <path d="M2 6V18M88 6V18" />}
      </svg>
      <figcaption>{STAGES[stage]}</figcaption>
    </figure>
  );
}
