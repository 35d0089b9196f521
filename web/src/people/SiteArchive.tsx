import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { FromFile } from "../shared/FromFile";
import { Sign } from "../shared/Sign";
import { say } from "../shared/say";

/** The whole site as one file, out and in again. */
export function SiteArchive() {
  const queries = useQueryClient();
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
    <section aria-label={say("people.site-archive.archive", "Archive")} className="site-archive">
      <h2>{say("people.site-archive.the-whole-site-in-one-file", "The whole site in one file")}</h2>
      <p className="quiet">
        {say(
          "people.site-archive.site-chemicals-every-version-of-every",
          "Site, chemicals, every version of every sheet and procedure with its approval. People and records are not in it.",
        )}
      </p>
      <a className="btn" href="/api/archive" download>
        {say("people.site-archive.export", "Export")}
      </a>{" "}
      <FromFile
        name={say("people.site-archive.archive-of-a-site", "Archive of a site")}
        accept=".zip,application/zip"
        onFile={(file) => {
          take.reset();
          setChosen(file);
        }}
      >
        {say("people.site-archive.import", "Import…")}
      </FromFile>
      {take.data && (
        <p className="note done" role="status">
          {say(
            "people.site-archive.taken-in-sheets-and-procedures-as",
            "Taken in: {0, plural, one {# sheet} other {# sheets}}, and {1, plural, one {# procedure as a draft} other {# procedures as drafts}}. Look at each verdict and approve what is to be used here.",
            take.data.sheets,
            take.data.procedures,
          )}
        </p>
      )}
      {chosen && (
        <Dialog
          title={say("people.site-archive.bring-in", "Bring in {0}", chosen.name)}
          onClose={() => setChosen(null)}
        >
          <Sign
            save={take}
            ready
            says={say("people.site-archive.sign-and-import", "Sign and import")}
            onClose={() => setChosen(null)}
          >
            <p>
              {say(
                "people.site-archive.sheets-that-are-new-are-added",
                "Sheets that are new are added; a version that is here already has to be the same, or nothing is taken in. Procedures come in as drafts, to be judged and approved here. Site, water and chemicals are replaced by those of the file.",
              )}
            </p>
          </Sign>
        </Dialog>
      )}
    </section>
  );
}
