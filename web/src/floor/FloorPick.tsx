import { useMutation, useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, message, unwrap } from "../api/client";
import { useSession } from "../app/session";

export default function FloorPick() {
  const rows = useQuery({ queryKey: ["floor"], queryFn: () => unwrap(api.GET("/api/floor")) });
  const session = useSession();
  const navigate = useNavigate();
  const mayWork = session.data?.role === "CREW" || session.data?.role === "SUPERVISOR";
  const start = useMutation({
    mutationFn: (procedure: string) => unwrap(api.POST("/api/rounds", { body: { procedure } })),
    onSuccess: (round) => navigate(`/floor/${round.state.id}`),
  });

  return (
    <main className="page">
      <div className="page-head">
        <h1>Which machine?</h1>
      </div>
      {start.isError && (
        <p className="note stop" role="alert">
          {message(start.error)}
        </p>
      )}
      {rows.isPending && <p className="page-state">Loading…</p>}
      {rows.isError && (
        <div className="page-state" role="alert">
          <p>{message(rows.error)}</p>
          <button className="btn" type="button" onClick={() => rows.refetch()}>
            Try again
          </button>
        </div>
      )}
      {rows.data?.length === 0 && (
        <p className="page-state">No procedure is approved yet, so there is nothing to carry out.</p>
      )}
      {rows.data && rows.data.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              <th scope="col">Machine</th>
              <th scope="col">Procedure</th>
              <th scope="col">Now</th>
              <th scope="col">
                <span className="sr-only">Start</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.data.map((r) => (
              <tr key={r.procedure}>
                <td>
                  <strong>{r.machine}</strong>
                </td>
                <td>
                  {r.title}
                  <div className="quiet">
                    {r.kind.replaceAll("-", " ")}, version {r.version}
                  </div>
                </td>
                <td>{r.openRound ? `being cleaned, started by ${r.startedBy}` : "no round open"}</td>
                <td>
                  {r.openRound ? (
                    <button
                      className="btn main"
                      type="button"
                      onClick={() => navigate(`/floor/${r.openRound}`)}
                    >
                      {mayWork ? "Go on" : "Look"}
                    </button>
                  ) : (
                    mayWork && (
                      <button
                        className="btn main"
                        type="button"
                        disabled={start.isPending}
                        onClick={() => start.mutate(r.procedure)}
                      >
                        Start the round
                      </button>
                    )
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}
