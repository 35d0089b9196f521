import { PasswordInput, Textarea } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../app/Dialog";

type Props = {
  id: string;
  version: number;
  revision: number;
  fixes: number;
  onClose: () => void;
  onApproved: (view: Schemas["ProcedureView"]) => void;
};

export function Approve(p: Props) {
  const [pin, setPin] = useState("");
  const [reason, setReason] = useState("");
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function sign(e: FormEvent) {
    e.preventDefault();
    setBusy(true);
    setError(null);
    try {
      const view = await unwrap(
        api.POST("/api/procedures/{id}/versions/{version}/approval", {
          params: { path: { id: p.id, version: p.version } },
          body: { revision: p.revision, pin, reason: reason || undefined },
        }),
      );
      p.onApproved(view);
    } catch (problem) {
      setError(message(problem));
      setPin("");
    } finally {
      setBusy(false);
    }
  }

  return (
    <Dialog title="Approve this version" onClose={p.onClose}>
      <form className="dialog" onSubmit={sign}>
        <p>
          Once approved it is frozen, and the floor works from it. You stand for it with your PIN; label,
          manual and local code stand above it.
        </p>
        {p.fixes > 0 && (
          <Textarea
            label={`Why it is approved with ${p.fixes} ${p.fixes === 1 ? "fix" : "fixes"} open`}
            description="At least 10 characters; it stands on the procedure for good."
            required
            autosize
            minRows={3}
            maxLength={2000}
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
          />
        )}
        <PasswordInput
          label="PIN"
          inputMode="numeric"
          autoComplete="off"
          required
          data-autofocus={p.fixes === 0 || undefined}
          value={pin}
          onChange={(e) => setPin(e.currentTarget.value)}
        />
        {error && (
          <p className="note stop" role="alert">
            {error}
          </p>
        )}
        <div className="pair">
          <button className="btn" type="button" onClick={p.onClose}>
            Not yet
          </button>
          <button className="btn main" type="submit" disabled={busy}>
            Sign and approve
          </button>
        </div>
      </form>
    </Dialog>
  );
}
