import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { useSiteStream } from "../round/useSiteStream";
import { span } from "../shared/DueState";
import { keys } from "../shared/keys";
import { type RunningOut, RunsOut, soon } from "../shared/RunsOut";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";
import { Kept } from "./Kept";

type OtherProps = {
  r: RunningOut;
  now: number;
  /** Absent where nothing is kept, or for whoever may not say. */
  onGone?: (how: "used" | "thrown-away") => void;
};

function Other({ r, now, onGone }: OtherProps) {
  return (
    <li>
      <RunsOut r={r} now={now}>
        {onGone && (
          <>
            {" "}
            <button className="btn small" type="button" onClick={() => onGone("used")}>
              {say("due.runs.used-up", "Used up")}
            </button>{" "}
            <button className="btn small" type="button" onClick={() => onGone("thrown-away")}>
              {say("due.runs.thrown-away", "Thrown away")}
            </button>
          </>
        )}
      </RunsOut>
    </li>
  );
}

/** What runs out, and what is out of use: soonest first. */
export function Runs({ now }: { now: number }) {
  const queries = useQueryClient();
  const clock = useClock();
  const board = useQuery({ queryKey: keys.board(), queryFn: () => unwrap(api.GET("/api/board")) });
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const others = useQuery({
    queryKey: keys.running(),
    queryFn: () => unwrap(api.GET("/api/due/running")),
    refetchInterval: 60_000,
  });
  const may = session?.role === "CREW" || session?.role === "SUPERVISOR";
  const write = (made: Parameters<typeof site.write>[0]) => {
    site.write(made);
    window.setTimeout(() => void queries.invalidateQueries({ queryKey: keys.running() }), 400);
  };
  const near = soon(others.data ?? [], now);
  const running = (board.data ?? [])
    .filter((m) => m.until !== undefined)
    .sort((a, b) => (a.until ?? 0) - (b.until ?? 0));
  const out = (board.data ?? []).filter((m) => m.out !== undefined);
  return (
    <>
      <section className="due-runs" aria-label={say("due.runs.clocks", "Clocks")}>
        <h2>{say("due.runs.what-runs-out", "What runs out")}</h2>
        {running.length === 0 && near.length === 0 && (
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
          {near.map((r) => (
            <Other
              key={`${r.kind} ${r.subject} ${r.what.english}`}
              r={r}
              now={now}
              onGone={
                may && r.kind === "KEPT" ? (how) => write(enter.productGone(r.subject, how)) : undefined
              }
            />
          ))}
        </ul>
        {site.refusal && (
          <p className="note stop" role="alert">
            {site.refusal}
          </p>
        )}
        {may && <Kept machines={(board.data ?? []).map((m) => m.code)} write={write} />}
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
