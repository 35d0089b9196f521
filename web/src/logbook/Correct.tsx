import { TextInput } from "@mantine/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";
import { said } from "./said";

type Props = { round: string; entry: Schemas["LogEntry"]; onClose: () => void };

/** Says beside an entry what is right, signed. The entry itself never changes. */
export function Correct({ round, entry, onClose }: Props) {
  const queries = useQueryClient();
  const [text, setText] = useState("");
  const correct = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.POST("/api/logbook/{round}/corrections", {
          params: { path: { round } },
          body: { entry: entry.id, text, pin },
        }),
      ),
    onSuccess: (record) => {
      queries.setQueryData(keys.record(round), record);
      onClose();
    },
  });
  return (
    <Dialog title={say("logbook.correct.correct-entry", "Correct entry {0}", entry.seq)} onClose={onClose}>
      <Sign
        save={correct}
        ready={text.trim() !== ""}
        says={say("logbook.correct.sign-the-correction", "Sign the correction")}
        onClose={onClose}
      >
        <p>
          {say(
            "logbook.correct.it-says-it-stays-as-it",
            "It says: {0}. It stays as it is; what is right stands beside it with your name.",
            said(entry),
          )}
        </p>
        <TextInput
          label={say("logbook.correct.what-is-right", "What is right")}
          maxLength={2000}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
      </Sign>
    </Dialog>
  );
}
