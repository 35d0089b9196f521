import type { UseMutationResult, UseQueryResult } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, message, type Schemas } from "../api/client";
import { Effect } from "./Effect";
import { Pin } from "./Pin";

type Props<T> = {
  effect: UseQueryResult<Schemas["Effect"], Error>;
  changed: boolean;
  save: UseMutationResult<T, Error, string>;
  onClose: () => void;
};

/** How every change of the site ends: what it does to what is approved, a PIN, and the signature. */
export function Sign<T>({ effect, changed, save, onClose }: Props<T>) {
  const [pin, setPin] = useState("");
  const fields = save.error instanceof ApiProblem ? save.error.fields : [];
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(pin);
      }}
    >
      <Effect query={effect} changed={changed} />
      <Pin value={pin} onChange={setPin} />
      {save.isError && (
        <div className="note stop" role="alert">
          {fields.length === 0
            ? message(save.error)
            : fields.map((f) => <p key={f.pointer + f.message}>{f.message}</p>)}
        </div>
      )}
      <div className="dialog-row">
        <button className="btn main" type="submit" disabled={!changed || pin === "" || save.isPending}>
          Sign and save
        </button>
        <button className="btn" type="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </form>
  );
}
