import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told } from "../shared/texts";

/** What waits for whoever looks: releases, what is late, procedures that no longer pass. */
export function Waits() {
  const at = useClock().time;
  const board = useQuery({ queryKey: keys.board(), queryFn: () => unwrap(api.GET("/api/board")) });
  const due = useQuery({ queryKey: keys.due(), queryFn: () => unwrap(api.GET("/api/due")) });
  const lapsed = useQuery({
    queryKey: keys.lapsed(),
    queryFn: () => unwrap(api.GET("/api/procedures/lapsed")),
  });
  const waiting = (board.data ?? []).filter((m) => m.standing === "WAITING" && m.round !== undefined);
  const late = (due.data?.tasks ?? []).filter((t) => t.state === "LATE" || t.state === "MISSED");
  const unsaid = late.filter((t) => t.needsReason);
  const count = lapsed.data?.length ?? 0;
  const runs = (board.data ?? [])
    .filter((m) => m.until !== undefined)
    .sort((a, b) => (a.until ?? 0) - (b.until ?? 0));
  return (
    <section aria-label={say("tonight.waits.label", "Waits for you")}>
      <h2>{say("tonight.waits.title", "Waits for you")}</h2>
      <ul className="waits">
        {waiting.map((m) => (
          <li key={m.code}>
            <Link to={`/release/${m.round}`}>
              {say("tonight.waits.release", "{0} {1}: look and release", m.code, told(m.name))}
            </Link>
          </li>
        ))}
        {late.length > 0 && (
          <li>
            <Link to="/due">
              {say(
                "tonight.waits.late",
                "{0, plural, one {# thing is} other {# things are}} late",
                late.length,
              )}
              {unsaid.length > 0 &&
                say(
                  "tonight.waits.reason",
                  ", {0, plural, one {# needs} other {# need}} a reason",
                  unsaid.length,
                )}
            </Link>
          </li>
        )}
        {count > 0 && (
          <li>
            <Link to="/procedures">
              {say(
                "tonight.waits.lapsed",
                "{0, plural, one {# approved procedure no longer passes} other {# approved procedures no longer pass}}",
                count,
              )}
            </Link>
          </li>
        )}
        {waiting.length === 0 && late.length === 0 && count === 0 && (
          <li className="quiet">{say("tonight.waits.nothing", "Nothing.")}</li>
        )}
      </ul>
      {runs.length > 0 && (
        <>
          <h2>{say("tonight.waits.runs", "What runs out")}</h2>
          <ul className="waits">
            {runs.map((m) => (
              <li key={m.code} className={m.over ? "late" : ""}>
                <Link to="/board">
                  {m.over
                    ? say("tonight.waits.over", "{0}: over since {1}, clean it now", m.code, at(m.until ?? 0))
                    : say("tonight.waits.until", "{0}: to be cleaned by {1}", m.code, at(m.until ?? 0))}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
