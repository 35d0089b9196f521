import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";
import { BringIn } from "./BringIn";
import { Lapsed } from "./Lapsed";
import { NewDraft } from "./NewDraft";

const STATE: Record<string, string> = {
  DRAFT: say("procedures.procedure-list.draft", "draft"),
  APPROVED: say("procedures.procedure-list.approved", "approved"),
  RETIRED: say("procedures.procedure-list.retired", "retired"),
};

/** What keeps a draft from being approved, in words. */
function heldBack(row: Schemas["ProcedureRow"]): string {
  if (row.state === "APPROVED") {
    return row.approveReason
      ? say(
          "procedures.procedure-list.approved-all-the-same",
          "approved all the same: {0}",
          row.approveReason,
        )
      : say("procedures.procedure-list.nothing", "nothing");
  }
  if (row.state === "RETIRED") {
    return say("procedures.procedure-list.replaced-by-a-newer-version", "replaced by a newer version");
  }
  const held = [];
  if (row.stops > 0) {
    held.push(say("procedures.procedure-list.stops", "{0, plural, one {# stop} other {# stops}}", row.stops));
  }
  if (row.fixes > 0) {
    held.push(say("procedures.procedure-list.fixes", "{0, plural, one {# fix} other {# fixes}}", row.fixes));
  }
  return held.length
    ? held.join(", ")
    : say("procedures.procedure-list.ready-to-approve", "ready to approve");
}

export default function ProcedureList() {
  const rows = useQuery({ queryKey: keys.procedures(), queryFn: () => unwrap(api.GET("/api/procedures")) });
  const [filter, set] = useFilters();
  const session = useSession();
  const clock = useClock();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const writes = session.data?.role === "SUPERVISOR";

  const draft = useMutation({
    mutationFn: (row: Schemas["ProcedureRow"]) =>
      unwrap(
        api.POST("/api/procedures/{id}/versions", {
          params: { path: { id: row.id } },
          body: { from: row.version },
        }),
      ),
    onSuccess: (made) => {
      queries.invalidateQueries({ queryKey: keys.procedures() });
      navigate(`/procedures/${made.id}/${made.version}`);
    },
  });

  const bare = useQuery({ queryKey: keys.uncovered(), queryFn: () => unwrap(api.GET("/api/uncovered")) });
  const shown = (rows.data ?? []).filter(
    (r) =>
      (filter("machine") === "" || r.machine === filter("machine")) &&
      (filter("state") === "" || r.state === filter("state")),
  );

  return (
    <main className="page">
      <div className="page-head">
        <h1>{say("procedures.procedure-list.procedures", "Procedures")}</h1>
        <span className="grow" />
        {writes && (
          <>
            <button className="btn main" type="button" onClick={() => set("new", "draft")}>
              {say("procedures.procedure-list.draft-from-machine-sheet", "Draft from machine sheet…")}
            </button>
            <Link className="btn" to="/procedures/old-text">
              {say("procedures.procedure-list.paste-an-old-procedure", "Paste an old procedure…")}
            </Link>
            <BringIn />
          </>
        )}
      </div>
      {writes && filter("new") === "draft" && (
        <NewDraft
          onClose={() => set("new", "")}
          onMade={(made) => {
            queries.invalidateQueries({ queryKey: keys.procedures() });
            navigate(`/procedures/${made.id}/${made.version}`);
          }}
        />
      )}
      {draft.isError && (
        <p className="note stop" role="alert">
          {message(draft.error)}
        </p>
      )}
      {rows.isPending && <p className="page-state">{say("procedures.procedure-list.loading", "Loading…")}</p>}
      {rows.isError && (
        <div className="page-state" role="alert">
          <p>{message(rows.error)}</p>
          <button className="btn" type="button" onClick={() => rows.refetch()}>
            {say("procedures.procedure-list.try-again", "Try again")}
          </button>
        </div>
      )}
      {rows.data?.length === 0 && (
        <p className="page-state">
          {say(
            "procedures.procedure-list.there-is-no-procedure-yet-import",
            "There is no procedure yet. Import a machine sheet first, then a procedure for it.",
          )}
        </p>
      )}
      {rows.data && rows.data.length > 0 && (
        <div className="filters">
          <label>
            {say("procedures.procedure-list.machine", "Machine")}
            <select value={filter("machine")} onChange={(e) => set("machine", e.currentTarget.value)}>
              <option value="">{say("procedures.procedure-list.all", "all")}</option>
              {[...new Set(rows.data.map((r) => r.machine))].map((m) => (
                <option key={m} value={m}>
                  {m}
                </option>
              ))}
            </select>
          </label>
          <label>
            {say("procedures.procedure-list.state", "State")}
            <select value={filter("state")} onChange={(e) => set("state", e.currentTarget.value)}>
              <option value="">{say("procedures.procedure-list.all", "all")}</option>
              {Object.entries(STATE).map(([id, word]) => (
                <option key={id} value={id}>
                  {word}
                </option>
              ))}
            </select>
          </label>
        </div>
      )}
      <Lapsed />
      {(bare.data ?? [])
        .filter((m) => filter("machine") === "" || m.code === filter("machine"))
        .map((m) => (
          <details key={m.code} className="note fix">
            <summary>
              {say(
                "procedures.procedure-list.asked-for-by-its-sheet",
                "{0} {1}: {2, plural, one {# thing} other {# things}} that its sheet asks for and no approved procedure does (rule F2)",
                m.code,
                m.name,
                m.items.length,
              )}
            </summary>
            <ul>
              {m.items.map((i) => (
                <li key={i}>{i}</li>
              ))}
            </ul>
          </details>
        ))}
      {rows.data && rows.data.length > 0 && shown.length === 0 && (
        <p className="page-state">
          {say(
            "procedures.procedure-list.no-procedure-of-this-machine-is",
            "No procedure of this machine is in this state.",
          )}
        </p>
      )}
      {shown.length > 0 && (
        <table className="table">
          <thead>
            <tr>
              <th scope="col">{say("procedures.procedure-list.machine", "Machine")}</th>
              <th scope="col">{say("procedures.procedure-list.procedure", "Procedure")}</th>
              <th scope="col">{say("procedures.procedure-list.state", "State")}</th>
              <th scope="col">{say("procedures.procedure-list.open-findings", "Open findings")}</th>
              <th scope="col">{say("procedures.procedure-list.last-change", "Last change")}</th>
              <th scope="col">
                <span className="sr-only">{say("procedures.procedure-list.actions", "Actions")}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((r) => (
              <tr key={`${r.id}@${r.version}`}>
                <td>{r.machine}</td>
                <td>
                  <Link to={`/procedures/${r.id}/${r.version}`}>{told(r.title)}</Link>
                  <div className="quiet">
                    {say(
                      "procedures.procedure-list.version",
                      "version {0}, {1}",
                      r.version,
                      r.kind.replaceAll("-", " "),
                    )}
                  </div>
                </td>
                <td>{STATE[r.state] ?? r.state}</td>
                <td>{heldBack(r)}</td>
                <td>
                  {r.author}
                  <div className="quiet">
                    {clock.day(r.savedAt)}, {clock.time(r.savedAt)}
                  </div>
                </td>
                <td>
                  {writes && r.state === "APPROVED" && (
                    <button
                      className="btn small"
                      type="button"
                      onClick={() => draft.mutate(r)}
                      aria-label={say(
                        "procedures.procedure-list.new-draft-from",
                        "New draft from {0}",
                        r.title,
                      )}
                    >
                      {say("procedures.procedure-list.new-draft", "New draft")}
                    </button>
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
