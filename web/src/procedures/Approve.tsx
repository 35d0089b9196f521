import { Textarea } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";

type Props = {
  id: string;
  version: number;
  revision: number;
  fixes: number;
  onClose: () => void;
  onApproved: (view: Schemas["ProcedureView"]) => void;
};

export function Approve(p: Props) {
  const [reason, setReason] = useState("");
  const approve = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.POST("/api/procedures/{id}/versions/{version}/approval", {
          params: { path: { id: p.id, version: p.version } },
          body: { revision: p.revision, pin, reason: reason || undefined },
        }),
      ),
    onSuccess: p.onApproved,
  });
  return (
    <Dialog
      title={say("procedures.approve.approve-this-version", "Approve this version")}
      onClose={p.onClose}
    >
      <Sign
        save={approve}
        ready
        says={say("procedures.approve.sign-and-approve", "Sign and approve")}
        leave={say("procedures.approve.cancel", "Cancel")}
        onClose={p.onClose}
      >
        <p>
          {say(
            "procedures.approve.once-approved-it-is-frozen-and",
            "Once approved it is frozen, and the floor works from it. You stand for it with your PIN; label, manual and local code stand above it.",
          )}
        </p>
        {p.fixes > 0 && (
          <Textarea
            label={say(
              "procedures.approve.why-with-open-findings",
              "Why it is approved with {0, plural, one {# fix} other {# fixes}} open",
              p.fixes,
            )}
            description={say(
              "procedures.approve.at-least-10-characters-it-stands",
              "At least 10 characters; it stands on the procedure for good.",
            )}
            required
            autosize
            minRows={3}
            maxLength={2000}
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
          />
        )}
      </Sign>
    </Dialog>
  );
}
