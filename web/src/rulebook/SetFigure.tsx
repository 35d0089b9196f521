import { PasswordInput, Textarea, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../app/Dialog";
import { Effect } from "../app/Effect";

type Props = {
  figure: Schemas["FigureView"];
  onClose: () => void;
  onSaved: (book: Schemas["RuleBookView"]) => void;
};

/** Another figure for this site: what it does to the approved procedures stands there before it is saved. */
export function SetFigure({ figure: f, onClose, onSaved }: Props) {
  const [text, setText] = useState(String(f.value));
  const [reason, setReason] = useState("");
  const [pin, setPin] = useState("");
  const value = Number(text.replace(",", "."));
  const number = text.trim() !== "" && Number.isFinite(value) && value > 0;
  const other = number && value !== f.value;
  const looser = number && (f.lowerIsStricter ? value > f.shipped : value < f.shipped);
  const effect = useQuery({
    queryKey: ["effect", f.id, value],
    enabled: other,
    queryFn: ({ signal }) =>
      unwrap(
        api.POST("/api/rulebook/figures/{id}/effect", {
          params: { path: { id: f.id } },
          body: { value },
          signal,
        }),
      ),
  });
  const save = useMutation({
    mutationFn: (to: number | undefined) =>
      unwrap(
        api.PUT("/api/rulebook/figures/{id}", {
          params: { path: { id: f.id } },
          body: { value: to, reason, pin },
        }),
      ),
    onSuccess: onSaved,
  });
  return (
    <Dialog title={f.title} onClose={onClose}>
      <p className="quiet">
        The code says {f.shipped} {f.unit} ({f.set ? "set by this site" : f.source}). A site makes it stricter
        by going {f.lowerIsStricter ? "down" : "up"}.
      </p>
      <TextInput
        label={`This site, in ${f.unit}`}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
        error={number ? undefined : "This is a number above 0."}
        data-autofocus
      />
      {looser && (
        <p className="note stop">
          This asks for less than the code. It is kept as an override with your reason and stands on every
          print.
        </p>
      )}
      <Effect query={effect} changed={other} />
      <Textarea
        label="Why"
        autosize
        minRows={2}
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
      />
      <PasswordInput
        label="PIN"
        inputMode="numeric"
        autoComplete="off"
        value={pin}
        onChange={(e) => setPin(e.currentTarget.value)}
      />
      {save.isError && (
        <p className="note stop" role="alert">
          {message(save.error)}
        </p>
      )}
      <div className="dialog-row">
        <button
          className="btn main"
          type="button"
          disabled={!other || save.isPending}
          onClick={() => save.mutate(value)}
        >
          Sign and set {number ? `${value} ${f.unit}` : ""}
        </button>
        {f.set && (
          <button className="btn" type="button" onClick={() => save.mutate(undefined)}>
            Back to the code
          </button>
        )}
        <button className="btn" type="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </Dialog>
  );
}
