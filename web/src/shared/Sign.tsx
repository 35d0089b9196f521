import type { UseMutationResult } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { ApiProblem, message } from "../api/client";
import { Pin } from "./Pin";
import { say } from "./say";

type Props<T> = {
  /** Takes the PIN. */
  save: UseMutationResult<T, Error, string>;
  ready: boolean;
  says?: string;
  leave?: string;
  pinLabel?: string;
  onClose: () => void;
  /** Another thing that the same PIN can sign. */
  other?: { says: string; save: UseMutationResult<T, Error, string> };
  children: ReactNode;
};

const MOST = 20;

/** How every change that somebody answers for ends: what it is, a PIN, and the signature. */
export function Sign<T>(p: Props<T>) {
  const { save } = p;
  const [pin, setPin] = useState("");
  const error = save.error ?? p.other?.save.error;
  const fields = error instanceof ApiProblem ? error.fields : [];
  // A PIN that was wrong goes; one that signed something that was refused is still right.
  const wrong = (e: Error) => e instanceof ApiProblem && [401, 429].includes(e.status) && setPin("");
  const sign = (what: typeof save) => what.mutate(pin, { onError: wrong });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        sign(save);
      }}
    >
      {p.children}
      <Pin value={pin} onChange={setPin} label={p.pinLabel} />
      {error && (
        <div className="note stop" role="alert">
          {fields.length === 0
            ? message(error)
            : fields.slice(0, MOST).map((f) => (
                <p key={f.pointer + f.message}>
                  {f.pointer && <code>{f.pointer}</code>} {f.message}
                </p>
              ))}
        </div>
      )}
      <div className="dialog-row">
        <button className="btn main" type="submit" disabled={!p.ready || pin === "" || save.isPending}>
          {p.says ?? say("shared.sign.sign-and-save", "Sign and save")}
        </button>
        {p.other && (
          <button
            className="btn"
            type="button"
            disabled={pin === "" || p.other.save.isPending}
            onClick={() => p.other && sign(p.other.save)}
          >
            {p.other.says}
          </button>
        )}
        <button className="btn" type="button" onClick={p.onClose}>
          {p.leave ?? say("shared.sign.cancel", "Cancel")}
        </button>
      </div>
    </form>
  );
}
