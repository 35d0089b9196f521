import "./floor.css";
import { useMutation, useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, message, unwrap } from "../api/client";
import { heard } from "../app/kept";
import { useSession } from "../app/session";
import { useSay } from "./texts";

/** What can be carried out, in targets for wet gloves. */
export default function FloorPick() {
  const rows = useQuery({
    queryKey: ["floor"],
    queryFn: () => heard("floor", () => unwrap(api.GET("/api/floor"))),
  });
  const session = useSession();
  const say = useSay();
  const navigate = useNavigate();
  const mayWork = session.data?.role === "CREW" || session.data?.role === "SUPERVISOR";
  const start = useMutation({
    mutationFn: (procedure: string) => unwrap(api.POST("/api/rounds", { body: { procedure } })),
    onSuccess: (round) => navigate(`/floor/${round.state.id}`),
  });

  return (
    <main className="floor">
      <header className="floor-head">
        <h1>{say("Which machine?")}</h1>
        <span>{session.data?.name}</span>
        <span className="floor-grow" />
        <Link className="floor-leave" to="/procedures">
          {say("To the desk")}
        </Link>
      </header>
      {start.isError && (
        <p className="floor-refusal floor-pad" role="alert">
          {message(start.error)}
        </p>
      )}
      {rows.isPending && <p className="floor-state">{say("Loading…")}</p>}
      {rows.isError && (
        <div className="floor-state" role="alert">
          <p>{message(rows.error)}</p>
          <button className="floor-btn" type="button" onClick={() => rows.refetch()}>
            {say("Try again")}
          </button>
        </div>
      )}
      {rows.data?.length === 0 && (
        <p className="floor-state">
          {say("No procedure is approved yet, so there is nothing to carry out.")}
        </p>
      )}
      <ul className="floor-machines" aria-label={say("Approved procedures")}>
        {rows.data?.map((r) => (
          <li key={r.procedure}>
            <div>
              <strong>{r.machine}</strong> {say(r.title)}
              <p>
                {say(r.kind.replaceAll("-", " "))}, {say("version {0}", r.version)}
                {r.openRound ? `; ${say("being cleaned, started by {0}", r.startedBy ?? "")}` : ""}
              </p>
            </div>
            {r.openRound ? (
              <button
                className="floor-btn now"
                type="button"
                onClick={() => navigate(`/floor/${r.openRound}`)}
              >
                {mayWork ? say("Go on") : say("Look")}
              </button>
            ) : (
              mayWork && (
                <button
                  className="floor-btn"
                  type="button"
                  disabled={start.isPending}
                  onClick={() => start.mutate(r.procedure)}
                >
                  {say("Start the round")}
                </button>
              )
            )}
          </li>
        ))}
      </ul>
    </main>
  );
}
