import { useState } from "react";
import { message } from "../api/client";
import { type Actor, energyName, type Pack } from "../round/core";
import { lockOff, lockOn } from "../round/entries";
import { asSent, send } from "../round/outbox";
import type { Round } from "../round/useRound";
import { Dialog } from "../shared/Dialog";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";
import { LockInput } from "./OwnLock";

type Props = { round: string; pack: Pack; live: Round; actor: Actor; onClose: () => void };

/** Who is locked on where in this round. Each takes off their own; another's only by the supervisor, signed. */
export function Locks({ round, pack, live, actor, onClose }: Props) {
  const session = useSession();
  const clock = useClock();
  const [other, setOther] = useState<{ energy: string; lock: string; who: string } | null>(null);
  const { state } = live;
  const at = state.current ?? pack.steps[pack.steps.length - 1].id;
  const energies = [...new Set(state.locks.map((l) => l.energy))];
  const own = (l: { who: string; person?: string }) =>
    l.person === undefined ? l.who === actor.name : l.person === actor.person;
  const mine = (energy: string) => state.locks.some((l) => l.energy === energy && own(l));
  return (
    <Dialog title={say("floor.locks.locks-on-this-machine", "Locks on this machine")} onClose={onClose} dark>
      {live.refusal && (
        <p className="floor-refusal" role="alert">
          {live.refusal}
        </p>
      )}
      {state.locks.length === 0 && <p>{say("floor.locks.no-lock-is-on", "No lock is on.")}</p>}
      <ul className="floor-locks">
        {state.locks.map((l) => (
          <li key={`${l.energy} ${l.lock}`}>
            <span>
              <strong>{say("floor.locks.lock", "Lock {0}", l.lock)}</strong>{" "}
              {told(energyName(pack, l.energy))}
              <br />
              {say("floor.locks.since", "{0}, since {1}", l.who, clock.time(l.at))}
            </span>
            {own(l) ? (
              <button
                className="floor-btn"
                type="button"
                onClick={() => live.write(lockOff(at, l.energy, l.lock))}
              >
                {say("floor.locks.i-take-it-off", "I take it off")}
              </button>
            ) : (
              session.data?.role === "SUPERVISOR" && (
                <button className="floor-btn" type="button" onClick={() => setOther(l)}>
                  {say("floor.locks.they-cannot-come-take-it-off", "They cannot come: take it off")}
                </button>
              )
            )}
          </li>
        ))}
      </ul>
      {energies
        .filter((e) => !mine(e))
        .map((e) => (
          <LockInput
            key={e}
            label={say(
              "floor.locks.number-on-your-lock",
              "{0}: number on your lock",
              told(energyName(pack, e)),
            )}
            onLock={(number) => live.write(lockOn(at, e, number))}
          />
        ))}
      {other && (
        <Another
          key={other.lock}
          lock={other}
          onTake={async (reason, pin) => {
            const made = lockOff(at, other.energy, other.lock, reason);
            const sent = asSent(live.server.packHash, made);
            live.take(await send(round, { ...sent, pin }));
            setOther(null);
          }}
        />
      )}
      <div className="pad-grid">
        <button className="floor-btn" type="button" onClick={onClose}>
          {say("floor.locks.back-to-the-step", "Back to the step")}
        </button>
      </div>
    </Dialog>
  );
}

type AnotherProps = {
  lock: { lock: string; who: string };
  onTake: (reason: string, pin: string) => Promise<void>;
};

function Another({ lock, onTake }: AnotherProps) {
  const [reason, setReason] = useState("");
  const [pin, setPin] = useState("");
  const [error, setError] = useState<string | null>(null);
  return (
    <form
      className="pad bad"
      onSubmit={(e) => {
        e.preventDefault();
        setError(null);
        onTake(reason.trim(), pin).catch((x) => setError(message(x)));
        setPin("");
      }}
    >
      <p className="floor-caution">
        {say(
          "floor.locks.before-lock-of-comes-off-make",
          "Before lock {0} of {1} comes off: make sure that they are not at the machine, try to reach them, and see that they know of it before they come back.",
          lock.lock,
          lock.who,
        )}
      </p>
      <label className="pad-other">
        {say("floor.locks.why-and-how-you-made-sure", "Why, and how you made sure")}
        <input value={reason} maxLength={500} onChange={(e) => setReason(e.currentTarget.value)} />
      </label>
      <label className="pad-other">
        {say("floor.locks.pin", "PIN")}
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
      <button className="floor-btn" type="submit" disabled={reason.trim().length < 10 || pin.length < 4}>
        {say("floor.locks.take-off-lock-and-sign", "Take off lock {0} and sign", lock.lock)}
      </button>
    </form>
  );
}
