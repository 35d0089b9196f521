import { TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../app/Dialog";
import { Pin } from "../app/Pin";

type Props = { round: string; entry: Schemas["LogEntry"]; onClose: () => void };

/** Says beside an entry what is right, signed. The entry itself never changes. */
export function Correct({ round, entry, onClose }: Props) {
  const queries = useQueryClient();
  const [text, setText] = useState("");
  const [pin, setPin] = useState("");
  const correct = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/logbook/{round}/corrections", {
          params: { path: { round } },
          body: { entry: entry.id, text, pin },
        }),
      ),
    onSuccess: (record) => {
      queries.setQueryData(["record", round], record);
      onClose();
    },
    onSettled: () => setPin(""),
  });
  return (
    <Dialog title={`Correct entry ${entry.seq}`} onClose={onClose}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          correct.mutate();
        }}
      >
        <p>It says: {entry.text}. It stays as it is; what is right stands beside it with your name.</p>
        <TextInput
          label="What is right"
          maxLength={2000}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
        <Pin value={pin} onChange={setPin} />
        {correct.isError && (
          <p className="note stop" role="alert">
            {message(correct.error)}
          </p>
        )}
        <div className="dialog-row">
          <button
            className="btn main"
            type="submit"
            disabled={text.trim() === "" || pin === "" || correct.isPending}
          >
            Sign the correction
          </button>
          <button className="btn" type="button" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
