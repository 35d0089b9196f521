import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, message, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { useClock } from "../shared/session";
import "./logbook.css";
import { keys } from "../shared/keys";

export default function RoundList() {
  const [filter, set] = useFilters();
  const machine = filter("machine");
  const from = filter("from");
  const to = filter("to");
  const clock = useClock();
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const rows = useQuery({
    queryKey: keys.logbook(machine, from, to),
    queryFn: () =>
      unwrap(
        api.GET("/api/logbook", {
          params: { query: { machine: machine || undefined, from: from || undefined, to: to || undefined } },
        }),
      ),
  });
  const chain = useQuery({
    queryKey: keys.integrity(),
    queryFn: () => unwrap(api.GET("/api/logbook/integrity")),
  });

  return (
    <main className="page">
      <div className="page-head">
        <h1>Logbook</h1>
        <span className="grow" />
        {chain.data && (
          <p className={chain.data.whole ? "quiet" : "note stop"}>
            {chain.data.whole
              ? chain.data.entries < chain.data.all
                ? `Chain whole over ${chain.data.entries} of ${chain.data.all} entries; the rest is being walked`
                : `Chain whole over ${chain.data.entries} ${chain.data.entries === 1 ? "entry" : "entries"}`
              : `The chain is broken at entry ${chain.data.firstBroken}: something was changed from outside`}
            {chain.data.signedAt && (
              <>
                . Signed{" "}
                <a href="/api/logbook/head" download>
                  {clock.time(chain.data.signedAt)}
                </a>
              </>
            )}
          </p>
        )}
      </div>
      {(chain.data?.changed.length ?? 0) > 0 && (
        <div className="note stop" role="alert">
          <strong>Changed on the server by something other than this program, so not used:</strong>
          <ul>
            {chain.data?.changed.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </div>
      )}
      {chain.data?.backup && (
        <p className="note fix" role="status">
          {chain.data.backup}
        </p>
      )}
      <div className="filters">
        <label>
          Machine
          <select value={machine} onChange={(e) => set("machine", e.currentTarget.value)}>
            <option value="">all</option>
            {machines.data?.map((m) => (
              <option key={m.code} value={m.code}>
                {m.code} {m.name.toLowerCase()}
              </option>
            ))}
          </select>
        </label>
        <label>
          From
          <input type="date" value={from} onChange={(e) => set("from", e.currentTarget.value)} />
        </label>
        <label>
          To
          <input type="date" value={to} onChange={(e) => set("to", e.currentTarget.value)} />
        </label>
      </div>
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
        <p className="page-state">
          {machine || from || to
            ? "No round between these days at this machine."
            : "No round has been carried out yet. What is entered on the floor stands here at once."}
        </p>
      )}
      {rows.data && rows.data.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              <th scope="col">Day</th>
              <th scope="col">Machine</th>
              <th scope="col">Round</th>
              <th scope="col">Started by</th>
              <th scope="col">Closed by</th>
            </tr>
          </thead>
          <tbody>
            {rows.data.map((r) => (
              <tr key={r.round}>
                <td>
                  {clock.day(r.startedAt)}
                  <div className="quiet">{clock.time(r.startedAt)}</div>
                </td>
                <td>{r.machine}</td>
                <td>
                  <Link to={`/logbook/${r.round}`}>{r.title}</Link>
                  <div className="quiet">procedure version {r.version}</div>
                </td>
                <td>{r.startedBy}</td>
                <td>
                  {r.closedBy ? (
                    <>
                      {r.closedBy}
                      <div className="quiet">{clock.time(r.closedAt ?? 0)}</div>
                    </>
                  ) : (
                    "still open"
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
