import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiProblem, api, message, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { FromFile } from "../shared/FromFile";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";

const UNSIGNED = 428;

type Chosen = { name: string; text: string };
type Sent = { file: Chosen; pin?: string };

/**
 * A machine sheet or a procedure from a file. A procedure comes in as a draft; a sheet is judged by at once, so
 * it is signed.
 */
export function BringIn() {
  const queries = useQueryClient();
  const [toSign, setToSign] = useState<Chosen | null>(null);
  const post = ({ file, pin }: Sent) =>
    unwrap(
      api.POST("/api/files", {
        params: { header: pin === undefined ? {} : { "X-Signature": pin } },
        body: file.text as never,
        bodySerializer: (b) => b as never,
        headers: { "Content-Type": "application/json" },
      }),
    );
  const onSuccess = () => {
    setToSign(null);
    queries.invalidateQueries();
  };
  const first = useMutation({
    mutationFn: post,
    onSuccess,
    // It was read and found in order, and waits for a signature.
    onError: (e, sent) => e instanceof ApiProblem && e.status === UNSIGNED && setToSign(sent.file),
  });
  const sheet = useMutation({
    mutationFn: (pin: string) => post({ file: toSign as Chosen, pin }),
    onSuccess,
  });

  async function choose(file: File) {
    first.reset();
    sheet.reset();
    first.mutate({ file: { name: file.name, text: await file.text() } });
  }

  const got = first.data ?? sheet.data;
  return (
    <>
      <FromFile
        name={say(
          "shelf.bring-in.machine-sheet-or-procedure-as-a",
          "Machine sheet or procedure as a JSON file",
        )}
        accept="application/json,.json"
        onFile={choose}
      >
        {say("shelf.bring-in.import", "Import…")}
      </FromFile>
      {got && (
        <p className="note done whole-row" role="status">
          {say(
            "shelf.bring-in.version-is-in",
            "{0} {1}, version {2}, is in.",
            got.what === "sheet"
              ? say("shelf.bring-in.machine-sheet", "Machine sheet")
              : say("shelf.bring-in.procedure", "Procedure"),
            got.id,
            got.version,
          )}
        </p>
      )}
      {first.error &&
        first.variables &&
        !(first.error instanceof ApiProblem && first.error.status === UNSIGNED) && (
          <NotTakenIn file={first.variables.file.name} error={first.error} />
        )}
      {toSign && (
        <Dialog
          title={say("shelf.bring-in.bring-in", "Bring in {0}", toSign.name)}
          onClose={() => setToSign(null)}
        >
          <Sign
            save={sheet}
            ready
            says={say("shelf.bring-in.sign-and-import", "Sign and import")}
            onClose={() => setToSign(null)}
          >
            <p>
              {say(
                "shelf.bring-in.procedures-are-judged-by-a-machine",
                "Procedures are judged by a machine sheet as soon as it is here.",
              )}
            </p>
          </Sign>
        </Dialog>
      )}
    </>
  );
}

const MOST = 50;

/** Everything that stood in the way. */
function NotTakenIn({ file, error }: { file: string; error: Error }) {
  const list =
    error instanceof ApiProblem && error.fields.length
      ? error.fields
      : [{ pointer: "", message: message(error) }];
  return (
    <div className="note stop whole-row" role="alert">
      <strong>
        {say(
          "shelf.bring-in.was-not-taken-in-nothing-was",
          "{0} was not taken in; nothing was changed. {1, plural, one {# error} other {# errors}}:",
          file,
          list.length,
        )}
      </strong>
      <ul>
        {list.slice(0, MOST).map((p) => (
          <li key={p.pointer + p.message}>
            {p.pointer && <code>{p.pointer}</code>} {p.message}
          </li>
        ))}
      </ul>
    </div>
  );
}
