import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, message, unwrap } from "../api/client";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { told } from "../shared/texts";
import "./machines.css";
import { keys } from "../shared/keys";

/** What was not heard is not passed. */
const notYet = (failed: boolean) =>
  failed
    ? say("machines.machine-list.not-known-the-server-did-not", "not known: the server did not say")
    : "…";

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
    return approved.length === 0
      ? say("machines.machine-list.nothing-approved-yet", "nothing approved yet")
      : approved.map((r) => r.title).join("; ");
  };
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say("machines.machine-list.machines", "Machines")}</h1>
        <span className="grow" />
        {session.data?.role === "SUPERVISOR" && (
          <Link className="btn main" to="/machines/new/sheet">
            {say("machines.machine-list.new-machine", "New machine…")}
          </Link>
        )}
      </div>
      {machines.isPending && <p className="page-state">{say("machines.machine-list.loading", "Loading…")}</p>}
      {machines.isError && (
        <p className="note stop" role="alert">
          {message(machines.error)}
        </p>
      )}
      {machines.data?.length === 0 && (
        <p className="page-state">
          {say(
            "machines.machine-list.no-machine-yet-its-sheet-comes",
            "No machine yet. Its sheet comes first; everything else is made from it.",
          )}
        </p>
      )}
      <ul className="machine-shelf">
        {(machines.data ?? []).map((m) => {
          const open = bare.data?.find((b) => b.code === m.code)?.items.length ?? 0;
          const covered = bare.data
            ? say("machines.machine-list.all-that-is-due-is-covered", "all that is due is covered")
            : notYet(bare.isError);
          return (
            <li key={m.code}>
              <Link to={`/machines/${m.code}`}>
                <span className="machine-code">{m.code}</span>
                <span className="machine-name">{told(m.name)}</span>
              </Link>
              <span>
                {say("machines.machine-list.sheet-version", "{0}, sheet version {1}", m.room, m.version)}
              </span>
              <span>{written(m.code)}</span>
              <span className={open > 0 ? "machine-open" : "quiet"}>
                {open > 0
                  ? say(
                      "machines.machine-list.on-the-sheet-that-nothing-covers",
                      "{0} on the sheet that nothing covers",
                      open,
                    )
                  : covered}
              </span>
            </li>
          );
        })}
      </ul>
    </main>
  );
}
