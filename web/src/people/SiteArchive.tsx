import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { Sign } from "../shared/Sign";

/** The whole site as one file, out and in again. */
export function SiteArchive() {
  const queries = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [chosen, setChosen] = useState<File | null>(null);
  const take = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.POST("/api/archive", {
          params: { header: { "X-Signature": pin } },
          body: chosen as never,
          bodySerializer: (b) => b as never,
          headers: { "Content-Type": "application/zip" },
        }),
      ),
    onSuccess: () => {
      setChosen(null);
      queries.invalidateQueries();
    },
  });
  return (
    <section aria-label="Archive" className="site-archive">
      <h2>The whole site in one file</h2>
      <p className="quiet">
        Site, chemicals, every version of every sheet and procedure with its approval. People and records are
        not in it.
      </p>
      <a className="btn" href="/api/archive" download>
        Export
      </a>{" "}
      <button className="btn" type="button" onClick={() => file.current?.click()}>
        Import…
      </button>
      <input
        ref={file}
        type="file"
        accept=".zip,application/zip"
        hidden
        aria-label="Archive of a site"
        onChange={(e) => {
          take.reset();
          setChosen(e.currentTarget.files?.[0] ?? null);
          e.currentTarget.value = "";
        }}
      />
      {take.data && (
        <p className="note done" role="status">
          Taken in: {take.data.sheets} sheets, and {take.data.procedures} procedures as drafts. Look at each
          verdict and approve what is to be used here.
        </p>
      )}
      {chosen && (
        <Dialog title={`Bring in ${chosen.name}`} onClose={() => setChosen(null)}>
          <Sign save={take} ready says="Sign and import" onClose={() => setChosen(null)}>
            <p>
              Sheets that are new are added; a version that is here already has to be the same, or nothing is
              taken in. Procedures come in as drafts, to be judged and approved here. Site, water and
              chemicals are replaced by those of the file.
            </p>
          </Sign>
        </Dialog>
      )}
    </section>
  );
}
