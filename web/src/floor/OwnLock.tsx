import { useState } from "react";
import { energyName, type Pack } from "../round/core";
import { lockOn } from "../round/entries";
import type { Round } from "../round/useRound";
import { say } from "../shared/say";
import { told } from "../shared/texts";

type Props = { pack: Pack; energies: string[]; step: string; write: Round["write"] };

/** Somebody who joins puts on a lock of their own before a hand goes in. */
export function OwnLock({ pack, energies, step, write }: Props) {
  return (
    <div className="own-lock">
      <p className="floor-caution">
        {say(
          "floor.own-lock.others-have-locks-on-you-have",
          "Others have locks on; you have none. Put yours on before a hand goes in.",
        )}
      </p>
      {energies.map((e) => (
        <LockInput
          key={e}
          label={say(
            "floor.own-lock.number-on-your-lock",
            "{0}: number on your lock",
            told(energyName(pack, e)),
          )}
          onLock={(number) => write(lockOn(step, e, number))}
        />
      ))}
    </div>
  );
}

/** The number is remembered: it is the same lock every night. */
export function LockInput({ label, onLock }: { label: string; onLock: (n: string) => void }) {
  const [number, setNumber] = useState(() => localStorage.getItem("my-lock") ?? "");
  return (
    <div className="lock-input">
      <label>
        <span>{label}</span>
        <input value={number} maxLength={20} onChange={(e) => setNumber(e.currentTarget.value)} />
      </label>
      <button
        className="floor-btn"
        type="button"
        disabled={number.trim() === ""}
        onClick={() => {
          localStorage.setItem("my-lock", number.trim());
          onLock(number.trim());
        }}
      >
        {say("floor.own-lock.it-is-on", "It is on")}
      </button>
    </div>
  );
}
