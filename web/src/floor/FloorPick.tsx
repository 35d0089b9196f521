import "./floor.css";
import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useParams } from "react-router";
import { api, message, unwrap } from "../api/client";
import { Who } from "../round/WhoGoesOn";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { Shape, STANDING, type Standing } from "../shared/Standing";
import { useClock, useSession } from "../shared/session";
import { type Say, useSay } from "../shared/texts";
import { Frame } from "./Frame";

/** What has to be done first comes first: what goes on, what is dirty, the rest. */
const DUE: Record<Standing, number> = { CLEANING: 0, DIRTY: 1, HELD: 2, WAITING: 3, IN_USE: 4, RELEASED: 5 };

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
  const session = useSession();
  const say = useSay();
  const navigate = useNavigate();
  const mayWork = session.data?.role === "CREW" || session.data?.role === "SUPERVISOR";
  const stands = new Map((board.data ?? []).map((m) => [m.code, m]));
  const due = (machine: string) => DUE[stands.get(machine)?.standing ?? "DIRTY"];
  const shown = (rows.data ?? [])
    .filter((r) => !code || r.machine === code)
    .sort((a, b) => Number(!a.openRound) - Number(!b.openRound) || due(a.machine) - due(b.machine));

  return (
    <Frame>
      <header className="floor-head">
        <h1>{code ?? say("Which machine?")}</h1>
        <Who say={say} />
        <span className="floor-grow" />
        {code && (
          <Link className="floor-leave" to="/floor">
            {say("All machines")}
          </Link>
        )}
        <Link className="floor-leave" to="/procedures">
          {say("To the desk")}
        </Link>
      </header>
      {rows.isPending && <p className="floor-state">{say("Loading…")}</p>}
      {rows.isError && (
        <div className="floor-state" role="alert">
          <p>{message(rows.error)}</p>
          <button className="floor-btn" type="button" onClick={() => rows.refetch()}>
            {say("Try again")}
          </button>
        </div>
      )}
      {rows.data && shown.length === 0 && (
        <p className="floor-state">
          {rows.data.length === 0
            ? say("No procedure is approved yet, so there is nothing to carry out.")
            : say("No procedure is approved for {0}.", code ?? "")}
        </p>
      )}
      <ul className="floor-machines" aria-label={say("Approved procedures")}>
        {shown.map((r) => (
          <li key={r.procedure}>
            <div>
              <strong>{r.machine}</strong> {say(r.title)}
              <p>
                {say(r.kind.replaceAll("-", " "))}, {say("version {0}", r.version)}
                {r.openRound && `; ${say("being cleaned, started by {0}", r.startedBy ?? "")}`}
              </p>
              {!r.passes && (
                <p className="floor-lapsed">
                  {r.until
                    ? say(
                        "It does not pass the rules any more; a supervisor has signed that it is used for now.",
                      )
                    : say("It does not pass the rules any more. Ask the supervisor.")}
                </p>
              )}
              {!r.openRound && stands.get(r.machine) && (
                <Stands
                  of={stands.get(r.machine)?.standing ?? "DIRTY"}
                  since={stands.get(r.machine)?.since}
                  say={say}
                />
              )}
            </div>
            {r.openRound ? (
              <button
                className="floor-btn now"
                type="button"
                onClick={() => navigate(`/floor/${r.openRound}`)}
              >
                {mayWork ? say("Continue") : say("Look")}
              </button>
            ) : (
              mayWork && (
                <Link className="floor-btn" to={`/floor/start/${r.procedure}`}>
                  {say("Get ready")}
                  <span className="sr-only">: {say(r.title)}</span>
                </Link>
              )
            )}
          </li>
        ))}
      </ul>
    </Frame>
  );
}

type StandsProps = { of: Standing; since: number | undefined; say: Say };

function Stands({ of, since, say }: StandsProps) {
  const clock = useClock();
  return (
    <p className="floor-stands">
      <Shape standing={of} />
      {since
        ? say("{0} since {1}", say(STANDING[of]), `${clock.day(since)}, ${clock.time(since)}`)
        : say(STANDING[of])}
    </p>
  );
}
