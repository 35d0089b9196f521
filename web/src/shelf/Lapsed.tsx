import { say } from "../shared/say";
import { siteNow } from "../shared/siteNow";
import { sentence, told } from "../shared/texts";
import "./lapsed.css";
import { Textarea } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { Dialog } from "../shared/Dialog";
import { keys } from "../shared/keys";
import { Sign } from "../shared/Sign";
import { useClock, useSession } from "../shared/session";

/** Approved procedures that the rules of today stop, and the way to go on for a while. */
export function Lapsed() {
  const lapsed = useQuery({
    queryKey: keys.lapsed(),
    queryFn: () => unwrap(api.GET("/api/procedures/lapsed")),
  });
  const [signing, setSigning] = useState<Schemas["NoLongerPasses"] | null>(null);
  const clock = useClock();
  const session = useSession();
  const rows = lapsed.data ?? [];
  if (rows.length === 0) {
    return null;
  }
  return (
    <section className="note stop" aria-label={say("shelf.lapsed.no-longer-pass", "No longer pass")}>
      <h2>
        {say(
          "shelf.lapsed.approved-procedures-do-not-pass",
          "{0, plural, one {# approved procedure does} other {# approved procedures do}} not pass the rules any more",
          rows.length,
        )}
      </h2>
      <p>
        {say(
          "shelf.lapsed.a-rule-a-figure-a-product",
          "A rule, a figure, a product or a sheet has changed since. They start no round until a supervisor signs that they are used for 14 days more, once for each version. Write a new version in that time.",
        )}
      </p>
      <ul className="lapsed">
        {rows.map((r) => (
          <li key={r.id}>
            <div>
              <Link to={`/procedures/${r.id}/${r.version}`}>
                {r.machine}: {told(r.title)}
              </Link>
              {say("shelf.lapsed.version", ", version {0}", r.version)}
              <p>{r.because[0] && sentence(r.because[0])}</p>
              {r.because.length > 1 && (
                <details>
                  <summary>{say("shelf.lapsed.more", "{0} more", r.because.length - 1)}</summary>
                  <ul>
                    {r.because.slice(1).map((b) => (
                      <li key={b.english}>{sentence(b)}</li>
                    ))}
                  </ul>
                </details>
              )}
              <p className="quiet">
                {r.until
                  ? r.until > siteNow()
                    ? say(
                        "shelf.lapsed.signed-for-used-until",
                        "Signed for: used until {0}, {1}.",
                        clock.day(r.until),
                        clock.time(r.until),
                      )
                    : say(
                        "shelf.lapsed.it-was-used-until-it-needs",
                        "It was used until {0}. It needs a new version.",
                        clock.day(r.until),
                      )
                  : say("shelf.lapsed.not-signed-for-it-starts-no", "Not signed for: it starts no round.")}
              </p>
            </div>
            {!r.until && session.data?.role === "SUPERVISOR" && (
              <button className="btn small" type="button" onClick={() => setSigning(r)}>
                {say("shelf.lapsed.use-for-14-days", "Use for 14 days…")}
                <span className="sr-only"> {told(r.title)}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {signing && <Use row={signing} onClose={() => setSigning(null)} />}
    </section>
  );
}

function Use({ row, onClose }: { row: Schemas["NoLongerPasses"]; onClose: () => void }) {
  const queries = useQueryClient();
  const [reason, setReason] = useState("");
  const use = useMutation({
    mutationFn: (pin: string) =>
      unwrap(
        api.POST("/api/procedures/{id}/use", {
          params: { path: { id: row.id } },
          body: { pin, reason },
        }),
      ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: keys.lapsed() });
      queries.invalidateQueries({ queryKey: keys.floor() });
      onClose();
    },
  });
  return (
    <Dialog
      title={say("shelf.lapsed.use-for-14-days-more", "Use {0} for 14 days more", row.title)}
      onClose={onClose}
    >
      <Sign
        save={use}
        ready={reason.trim().length >= 10}
        says={say("shelf.lapsed.sign-for-14-days", "Sign for 14 days")}
        leave={say("shelf.lapsed.cancel", "Cancel")}
        onClose={onClose}
      >
        <p>{say("shelf.lapsed.the-rules-stop-it", "The rules stop it:")}</p>
        <ul className="lapsed-why">
          {row.because.map((b) => (
            <li key={b.english}>{sentence(b)}</li>
          ))}
        </ul>
        <Textarea
          label={say(
            "shelf.lapsed.why-it-is-used-all-the",
            "Why it is used all the same, and what is watched",
          )}
          description={say(
            "shelf.lapsed.10-to-400-letters-it-stands",
            "10 to 400 letters; it stands in the log of the site",
          )}
          value={reason}
          rows={3}
          onChange={(e) => setReason(e.currentTarget.value)}
        />
      </Sign>
    </Dialog>
  );
}
