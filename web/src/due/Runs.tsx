import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told } from "../shared/texts";
import { span } from "./Thread";

/** What runs out, and what is out of use: soonest first. */
export function Runs({ now }: { now: number }) {
  const clock = useClock();
  const board = useQuery({ queryKey: keys.board(), queryFn: () => unwrap(api.GET("/api/board")) });
  const running = (board.data ?? [])
    .filter((m) => m.until !== undefined)
    .sort((a, b) => (a.until ?? 0) - (b.until ?? 0));
  const out = (board.data ?? []).filter((m) => m.out !== undefined);
  return (
    <>
      <section className="due-runs" aria-label={say("due.runs.clocks", "Clocks")}>
        <h2>{say("due.runs.what-runs-out", "What runs out")}</h2>
        {running.length === 0 && (
          <p className="quiet">{say("due.runs.nothing", "No machine is in use against a clock.")}</p>
        )}
        <ul>
          {running.map((m) => (
            <li key={m.code} className={m.over ? "over" : ""}>
              <strong>{m.code}</strong> {told(m.name)}{" "}
              {(m.until ?? 0) > now
                ? say(
                    "due.runs.until",
                    "until {0}, {1} left",
                    clock.time(m.until ?? 0),
                    span((m.until ?? 0) - now),
                  )
                : say(
                    "due.runs.over",
                    "over since {0}: stop, clean it before it goes on",
                    clock.time(m.until ?? 0),
                  )}
            </li>
          ))}
        </ul>
      </section>
      {out.length > 0 && (
        <section className="due-runs" aria-label={say("due.runs.out", "Out of use")}>
          <h2>{say("due.runs.out", "Out of use")}</h2>
          <ul>
            {out.map((m) => (
              <li key={m.code}>
                <strong>{m.code}</strong> {told(m.name)}: {m.out?.why},{" "}
                {say("due.runs.since", "since {0}, {1}", clock.day(m.out?.since ?? 0), m.out?.who ?? "")}
              </li>
            ))}
          </ul>
        </section>
      )}
      <p className="quiet">
        <Link to="/board">{say("due.runs.to-the-board", "To the board")}</Link>
      </p>
    </>
  );
}
