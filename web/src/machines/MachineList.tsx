import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, message, unwrap } from "../api/client";
import { useSession } from "../shared/session";
import "./machines.css";
import { keys } from "../shared/keys";

/** What was not heard is not passed. */
const notYet = (failed: boolean) => (failed ? "not known: the server did not say" : "…");

/** The machines of the site, and what is written for each. */
export default function MachineList() {
  const session = useSession();
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const rows = useQuery({ queryKey: keys.procedures(), queryFn: () => unwrap(api.GET("/api/procedures")) });
  const bare = useQuery({ queryKey: keys.uncovered(), queryFn: () => unwrap(api.GET("/api/uncovered")) });
  const written = (code: string) => {
    if (!rows.data) {
      return notYet(rows.isError);
    }
    const approved = rows.data.filter((r) => r.machine === code && r.state === "APPROVED");
    return approved.length === 0 ? "nothing approved yet" : approved.map((r) => r.title).join("; ");
  };
  return (
    <main className="page">
      <div className="page-head">
        <h1>Machines</h1>
        <span className="grow" />
        {session.data?.role === "SUPERVISOR" && (
          <Link className="btn main" to="/machines/new/sheet">
            New machine…
          </Link>
        )}
      </div>
      {machines.isPending && <p className="page-state">Loading…</p>}
      {machines.isError && (
        <p className="note stop" role="alert">
          {message(machines.error)}
        </p>
      )}
      {machines.data?.length === 0 && (
        <p className="page-state">No machine yet. Its sheet comes first; everything else is made from it.</p>
      )}
      <ul className="machine-shelf">
        {(machines.data ?? []).map((m) => {
          const open = bare.data?.find((b) => b.code === m.code)?.items.length ?? 0;
          const covered = bare.data ? "all that is due is covered" : notYet(bare.isError);
          return (
            <li key={m.code}>
              <Link to={`/machines/${m.code}`}>
                <span className="machine-code">{m.code}</span>
                <span className="machine-name">{m.name}</span>
              </Link>
              <span>
                {m.room}, sheet version {m.version}
              </span>
              <span>{written(m.code)}</span>
              <span className={open > 0 ? "machine-open" : "quiet"}>
                {open > 0 ? `${open} on the sheet that nothing covers` : covered}
              </span>
            </li>
          );
        })}
      </ul>
    </main>
  );
}
