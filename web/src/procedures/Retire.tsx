import { Textarea } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";

type Props = {
  row: Schemas["ProcedureRow"];
  onClose: () => void;
  onRetired: (view: Schemas["ProcedureView"]) => void;
};

/** Takes an approved version out of use; it stays to be read. */
export function Retire({ row, onClose, onRetired }: Props) {
  const [reason, setReason] = useState("");
  const retire = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.POST("/api/procedures/{id}/versions/{version}/retirement", {
          params: { path: { id: row.id, version: row.version } },
          body: { pin, reason },
        }),
      ),
    onSuccess: onRetired,
  });
  return (
    <Dialog title={say("procedures.retire.retire-this-version", "Retire this version")} onClose={onClose}>
      <Sign
        save={retire}
        ready={reason.trim() !== ""}
        says={say("procedures.retire.sign-and-retire", "Sign and retire")}
        onClose={onClose}
      >
        <p>
          {say(
            "procedures.retire.the-floor-starts-no-round-from",
            "The floor starts no round from it any more. It stays to be read, with its records.",
          )}
        </p>
        <Textarea
          label={say("procedures.retire.why", "Why")}
          description={say(
            "procedures.retire.at-least-10-letters-it-stands",
            "At least 10 letters; it stands in the log of the site.",
          )}
          autosize
          minRows={2}
          maxLength={1000}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
      </Sign>
    </Dialog>
  );
}
