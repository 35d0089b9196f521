import { say } from "../shared/say";
import { told } from "../shared/texts";
import "./floor.css";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Who } from "../round/WhoGoesOn";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { clocks, RunsOut } from "../shared/RunsOut";
import { Shape, STANDING, type Standing } from "../shared/Standing";
import { useClock, useSession } from "../shared/session";
import { siteNow } from "../shared/siteNow";
import { Frame } from "./Frame";
import { NextForMe } from "./NextForMe";

/** What is late comes first, then what is due; what is done already comes last. */
const FALLS: Record<Schemas["DueTask"]["state"], number> = {
  MISSED: 0,
  LATE: 0,
  DUE: 1,
  SOON: 2,
  BLOCKED: 3,
  DONE: 4,
};

const FALLS_DUE: Partial<Record<Schemas["DueTask"]["state"], string>> = {
  MISSED: say("floor.floor-pick.missed", "was missed"),
  LATE: say("floor.floor-pick.late", "late"),
  DUE: say("floor.floor-pick.due", "due"),
  SOON: say("floor.floor-pick.soon", "due soon"),
};

/** Of what is as due: what goes on, what is dirty, the rest. */
const STANDS: Record<Standing, number> = {
  CLEANING: 0,
  DIRTY: 1,
  HELD: 2,
  WAITING: 3,
  IN_USE: 4,
  RELEASED: 5,
};

/** What can be carried out, in targets for wet gloves; a machine's label leads here with its code. */
export default function FloorPick() {
  const code = useParams().machine;
  const rows = useQuery({
    queryKey: keys.floor(),
    queryFn: () => heard("floor", () => unwrap(api.GET("/api/floor"))),
  });
  const board = useQuery({
    queryKey: keys.board(),
    queryFn: () => heard("board", () => unwrap(api.GET("/api/board"))),
  });
  const falls = useQuery({
    queryKey: keys.due(),
    queryFn: () => heard("due", () => unwrap(api.GET("/api/due"))),
    retry: false,
  });
  const running = useQuery({
    queryKey: keys.running(),
    queryFn: () => heard("running", () => unwrap(api.GET("/api/due/running"))),
    retry: false,
    refetchInterval: 60_000,
  });
  const now = siteNow();
  const runs = clocks(running.data ?? [], now).filter((r) => !code || r.subject === code);
  const session = useSession();
  const navigate = useNavigate();
  const mayWork = session.data?.role === "CREW" || session.data?.role === "SUPERVISOR";
  const stands = new Map((board.data ?? []).map((m) => [m.code, m]));
  const standing = (machine: string) => STANDS[stands.get(machine)?.standing ?? "DIRTY"];
  const tasks = new Map((falls.data?.tasks ?? []).map((t) => [t.task, t]));
  // What falls due at no time of its own, only after an event, comes behind what does.
  const due = (procedure: string) => FALLS[tasks.get(procedure)?.state ?? "BLOCKED"];
  const shown = (rows.data ?? [])
    .filter((r) => !code || r.machine === code)
    .sort(
      (a, b) =>
        Number(!a.openRound) - Number(!b.openRound) ||
        due(a.procedure) - due(b.procedure) ||
        standing(a.machine) - standing(b.machine),
    );

  return (
    <Frame>
      <header className="floor-head">
        <h1>{code ?? say("floor.floor-pick.which-machine", "Which machine?")}</h1>
        <Who />
        <span className="floor-grow" />
        {code && (
          <Link className="floor-leave" to="/floor">
            {say("floor.floor-pick.all-machines", "All machines")}
          </Link>
        )}
        <Link className="floor-leave" to="/procedures">
          {say("floor.floor-pick.to-the-desk", "To the desk")}
        </Link>
      </header>
      {!code && <NextForMe />}
      {runs.length > 0 && (
        <ul className="floor-runs" aria-label={say("floor.floor-pick.what-runs-out", "What runs out")}>
          {runs.map((r) => (
            <li key={`${r.kind} ${r.subject} ${r.what.english}`}>
              <RunsOut r={r} now={now} />
            </li>
          ))}
        </ul>
      )}
      {rows.isPending && <p className="floor-state">{say("floor.floor-pick.loading", "Loading…")}</p>}
      {rows.isError && (
        <div className="floor-state" role="alert">
          <p>{message(rows.error)}</p>
          <button className="floor-btn" type="button" onClick={() => rows.refetch()}>
            {say("floor.floor-pick.try-again", "Try again")}
          </button>
        </div>
      )}
      {rows.data && shown.length === 0 && (
        <p className="floor-state">
          {rows.data.length === 0
            ? say(
                "floor.floor-pick.no-procedure-is-approved-yet-so",
                "No procedure is approved yet, so there is nothing to carry out.",
              )
            : say(
                "floor.floor-pick.no-procedure-is-approved-for",
                "No procedure is approved for {0}.",
                code ?? "",
              )}
        </p>
      )}
      <ul
        className="floor-machines"
        aria-label={say("floor.floor-pick.approved-procedures", "Approved procedures")}
      >
        {shown.map((r) => (
          <li key={r.procedure}>
            <div>
              <strong>{r.machine}</strong> {told(r.title)}
              <p>
                {told(r.kind.replaceAll("-", " "))},{" "}
                {say("floor.floor-pick.version", "version {0}", r.version)}
                {!r.openRound && FALLS_DUE[tasks.get(r.procedure)?.state ?? "DONE"] && (
                  <strong className="floor-due"> {FALLS_DUE[tasks.get(r.procedure)?.state ?? "DONE"]}</strong>
                )}
                {r.openRound &&
                  `; ${say("floor.floor-pick.being-cleaned-started-by", "being cleaned, started by {0}", r.startedBy ?? "")}`}
              </p>
              {!r.passes && (
                <p className="floor-lapsed">
                  {r.until
                    ? say(
                        "floor.floor-pick.it-does-not-pass-the-rules",
                        "It does not pass the rules any more; a supervisor has signed that it is used for now.",
                      )
                    : say(
                        "floor.floor-pick.it-does-not-pass-the-rules-2",
                        "It does not pass the rules any more. Ask the supervisor.",
                      )}
                </p>
              )}
              {!r.openRound && stands.get(r.machine) && (
                <Stands
                  of={stands.get(r.machine)?.standing ?? "DIRTY"}
                  since={stands.get(r.machine)?.since}
                />
              )}
            </div>
            {r.openRound ? (
              <button
                className="floor-btn now"
                type="button"
                onClick={() => navigate(`/floor/${r.openRound}`)}
              >
                {mayWork
                  ? say("floor.floor-pick.continue", "Continue")
                  : say("floor.floor-pick.look", "Look")}
              </button>
            ) : (
              mayWork && (
                <Link className="floor-btn" to={`/floor/start/${r.procedure}`}>
                  {say("floor.floor-pick.get-ready", "Get ready")}
                  <span className="sr-only">: {told(r.title)}</span>
                </Link>
              )
            )}
          </li>
        ))}
      </ul>
    </Frame>
  );
}

type StandsProps = { of: Standing; since: number | undefined };

function Stands({ of, since }: StandsProps) {
  const clock = useClock();
  return (
    <p className="floor-stands">
      <Shape standing={of} />
      {since
        ? say(
            "floor.floor-pick.since",
            "{0} since {1}",
            STANDING[of],
            `${clock.day(since)}, ${clock.time(since)}`,
          )
        : STANDING[of]}
    </p>
  );
}
