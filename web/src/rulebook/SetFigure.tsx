import { Textarea, TextInput } from "@mantine/core";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { Effect } from "../shared/Effect";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { titleOf } from "./titles";

type Props = {
  figure: Schemas["FigureView"];
  /** What the figure of the code rests on. */
  cited: string;
  onClose: () => void;
  onSaved: (book: Schemas["RuleBookView"]) => void;
};

/** Another figure for this site: what it does to the approved procedures stands there before it is saved. */
export function SetFigure({ figure: f, cited, onClose, onSaved }: Props) {
  const [text, setText] = useState(String(f.value));
  const [reason, setReason] = useState("");
  const value = Number(text.replace(",", "."));
  const number = text.trim() !== "" && Number.isFinite(value) && value > 0;
  const other = number && value !== f.value;
  const looser = number && (f.lowerIsStricter ? value > f.shipped : value < f.shipped);
  const effect = useQuery({
    queryKey: keys.effect(f.id, value),
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
  const put = (to: number | undefined, pin: string) =>
    unwrap(
      api.PUT("/api/rulebook/figures/{id}", {
        params: { path: { id: f.id } },
        body: { value: to, reason, pin },
      }),
    );
  const save = useMutation({ mutationFn: (pin: string) => put(value, pin), onSuccess: onSaved });
  const back = useMutation({ mutationFn: (pin: string) => put(undefined, pin), onSuccess: onSaved });
  return (
    <Dialog title={titleOf(f)} onClose={onClose}>
      <Sign
        save={save}
        ready={other}
        says={say("rulebook.set-figure.sign-and-set", "Sign and set {0}", number ? `${value} ${f.unit}` : "")}
        other={
          f.set
            ? { says: say("rulebook.set-figure.back-to-the-code", "Back to the code"), save: back }
            : undefined
        }
        onClose={onClose}
      >
        <p className="quiet">
          {say(
            "rulebook.set-figure.the-code-says-a-site-makes",
            "The code says {0} {1} ({2}). A site makes it stricter by going {3}.",
            f.shipped,
            f.unit,
            f.set ? say("rulebook.set-figure.set-by-this-site", "set by this site") : cited,
            f.lowerIsStricter ? say("rulebook.set-figure.down", "down") : say("rulebook.set-figure.up", "up"),
          )}
        </p>
        <TextInput
          label={say("rulebook.set-figure.this-site-in", "This site, in {0}", f.unit)}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
          error={
            number
              ? undefined
              : say("rulebook.set-figure.this-is-a-number-above-0", "This is a number above 0.")
          }
          data-autofocus
        />
        {looser && (
          <p className="note stop">
            {say(
              "rulebook.set-figure.this-asks-for-less-than-the",
              "This asks for less than the code. It is kept as an override with your reason and stands on every print.",
            )}
          </p>
        )}
        <Effect query={effect} changed={other} />
        <Textarea
          label={say("rulebook.set-figure.why", "Why")}
          autosize
          minRows={2}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
      </Sign>
    </Dialog>
  );
}
