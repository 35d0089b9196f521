import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { sentence, told } from "../shared/texts";
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
        <h1>{say("logbook.round-list.logbook", "Logbook")}</h1>
        <span className="grow" />
        {chain.data && (
          <p className={chain.data.whole ? "quiet" : "note stop"}>
            {chain.data.whole
              ? chain.data.entries < chain.data.all
                ? say(
                    "logbook.round-list.chain-whole-over-of-entries-the",
                    "Chain whole over {0} of {1} entries; the rest is being walked",
                    chain.data.entries,
                    chain.data.all,
                  )
                : say(
                    "logbook.round-list.chain-whole",
                    "Chain whole over {0, plural, one {# entry} other {# entries}}",
                    chain.data.entries,
                  )
              : say(
                  "logbook.round-list.the-chain-is-broken-at-entry",
                  "The chain is broken at entry {0}: something was changed from outside",
                  chain.data.firstBroken,
                )}
            {chain.data.signedAt && (
              <>
                {say("logbook.round-list.signed", ". Signed")}{" "}
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
          <strong>
            {say(
              "logbook.round-list.changed-on-the-server-by-something",
              "Changed on the server by something other than this program, so not used:",
            )}
          </strong>
          <ul>
            {chain.data?.changed.map((c) => (
              <li key={c.english}>{sentence(c)}</li>
            ))}
          </ul>
        </div>
      )}
      {chain.data?.backup && (
        <p className="note fix" role="status">
          {sentence(chain.data.backup)}
        </p>
      )}
      <div className="filters">
        <label>
          {say("logbook.round-list.machine", "Machine")}
          <select value={machine} onChange={(e) => set("machine", e.currentTarget.value)}>
            <option value="">{say("logbook.round-list.all", "all")}</option>
            {machines.data?.map((m) => (
              <option key={m.code} value={m.code}>
                {m.code} {told(m.name).toLowerCase()}
              </option>
            ))}
          </select>
        </label>
        <label>
          {say("logbook.round-list.from", "From")}
          <input type="date" value={from} onChange={(e) => set("from", e.currentTarget.value)} />
        </label>
        <label>
          {say("logbook.round-list.to", "To")}
          <input type="date" value={to} onChange={(e) => set("to", e.currentTarget.value)} />
        </label>
      </div>
      {rows.isPending && <Waiting part what={say("logbook.round-list.loading", "Loading…")} />}
      {rows.isError && <NotShown part error={rows.error} again={() => rows.refetch()} />}
      {rows.data?.length === 0 && (
        <p className="page-state">
          {machine || from || to
            ? say(
                "logbook.round-list.no-round-between-these-days-at",
                "No round between these days at this machine.",
              )
            : say(
                "logbook.round-list.no-round-has-been-carried-out",
                "No round has been carried out yet. What is entered on the floor stands here at once.",
              )}
        </p>
      )}
      {rows.data && rows.data.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              <th scope="col">{say("logbook.round-list.day", "Day")}</th>
              <th scope="col">{say("logbook.round-list.machine", "Machine")}</th>
              <th scope="col">{say("logbook.round-list.round", "Round")}</th>
              <th scope="col">{say("logbook.round-list.started-by", "Started by")}</th>
              <th scope="col">{say("logbook.round-list.closed-by", "Closed by")}</th>
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
                  <Link to={`/logbook/${r.round}`}>{told(r.title)}</Link>
                  <div className="quiet">
                    {say("logbook.round-list.procedure-version", "procedure version {0}", r.version)}
                  </div>
                </td>
                <td>{r.startedBy}</td>
                <td>
                  {r.closedBy ? (
                    <>
                      {r.closedBy}
                      <div className="quiet">{clock.time(r.closedAt ?? 0)}</div>
                    </>
                  ) : (
                    say("logbook.round-list.still-open", "still open")
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
