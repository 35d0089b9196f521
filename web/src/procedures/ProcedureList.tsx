import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { keys } from "../shared/keys";
import { OutlineDrawing } from "../shared/OutlineDrawing";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";
import { BringIn } from "./BringIn";
import { Lapsed } from "./Lapsed";
import { NewDraft } from "./NewDraft";
import "./written.css";

const STATE: Record<string, string> = {
  DRAFT: say("procedures.procedure-list.draft", "draft"),
  APPROVED: say("procedures.procedure-list.approved", "approved"),
  RETIRED: say("procedures.procedure-list.retired", "retired"),
};

/** What keeps a draft from being approved, in words. */
function heldBack(row: Schemas["ProcedureRow"]): string {
  if (row.state === "APPROVED") {
    return row.approveReason
      ? say("procedures.procedure-list.all-the-same", "all the same: {0}", row.approveReason)
      : "";
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
  const find = filter("find").toLowerCase();
  // What was replaced is looked for; until then it would only hide what is in force.
  const shown = (rows.data ?? []).filter(
    (r) =>
      `${r.machine} ${told(r.title)} ${r.kind.replaceAll("-", " ")}`.toLowerCase().includes(find) &&
      (filter("state") === "" ? r.state !== "RETIRED" : r.state === filter("state")),
  );
  const machines = [...new Set(shown.map((r) => r.machine))].sort();

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
      {rows.isPending && <Waiting part what={say("procedures.procedure-list.loading", "Loading…")} />}
      {rows.isError && <NotShown part error={rows.error} again={() => rows.refetch()} />}
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
            {say("procedures.procedure-list.find", "Find a machine or a procedure")}
            <input
              type="search"
              value={filter("find")}
              onChange={(e) => set("find", e.currentTarget.value)}
              placeholder={say("procedures.procedure-list.weekly", "weekly")}
            />
          </label>
          <label>
            {say("procedures.procedure-list.state", "State")}
            <select value={filter("state")} onChange={(e) => set("state", e.currentTarget.value)}>
              <option value="">
                {say("procedures.procedure-list.in-force-and-drafts", "in force and drafts")}
              </option>
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
      {rows.data && rows.data.length > 0 && shown.length === 0 && (
        <p className="page-state">
          {say("procedures.procedure-list.nothing-written-matches", "Nothing written matches.")}
        </p>
      )}
      <div className="written">
        {machines.map((code) => (
          <Machine
            key={code}
            code={code}
            rows={shown.filter((r) => r.machine === code)}
            bare={bare.data?.find((m) => m.code === code)?.items ?? []}
            onDraft={writes ? draft.mutate : undefined}
          />
        ))}
      </div>
    </main>
  );
}

type Row = Schemas["ProcedureRow"];

/** What is written for one machine: what is in force, under each the draft that would replace it. */
function Machine({
  code,
  rows,
  bare,
  onDraft,
}: {
  code: string;
  rows: Row[];
  bare: string[];
  onDraft?: (row: Row) => void;
}) {
  const all = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const machine = all.data?.find((m) => m.code === code);
  const inForce = rows.filter((r) => r.state !== "DRAFT");
  const replaces = (d: Row) =>
    inForce.find((r) => r.id === d.id) ?? inForce.find((r) => r.kind === d.kind && r.state === "APPROVED");
  const alone = rows.filter((r) => r.state === "DRAFT" && !replaces(r));
  return (
    <section aria-labelledby={`written-${code}`}>
      <div className="written-machine">
        {machine?.outline && <OutlineDrawing outline={machine.outline} />}
        <h2 id={`written-${code}`}>
          <Link to={`/machines/${code}`}>
            <strong className="machine-code">{code}</strong> {told(machine?.name ?? "")}
          </Link>
        </h2>
        {bare.length > 0 && (
          <details>
            <summary>
              {say(
                "procedures.procedure-list.asked-by-the-sheet-done-by-none",
                "{0} asked by the sheet, done by none (F2)",
                bare.length,
              )}
            </summary>
            <ul>
              {bare.map((i) => (
                <li key={i}>{told(i)}</li>
              ))}
            </ul>
          </details>
        )}
      </div>
      <ul>
        {[...inForce, ...alone].map((r) => (
          <li key={`${r.id}@${r.version}`}>
            <One row={r} onDraft={onDraft} />
            {rows
              .filter((d) => d.state === "DRAFT" && replaces(d) === r)
              .map((d) => (
                <One key={`${d.id}@${d.version}`} row={d} under />
              ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

function One({ row, under, onDraft }: { row: Row; under?: boolean; onDraft?: (row: Row) => void }) {
  const clock = useClock();
  return (
    <div className={`written-one ${row.state.toLowerCase()} ${under ? "under" : ""}`}>
      <Link to={`/procedures/${row.id}/${row.version}`}>{told(row.title)}</Link>
      <span>{told(row.kind.replaceAll("-", " "))}</span>
      <span className={row.stops > 0 ? "written-stops" : ""}>
        {STATE[row.state] ?? row.state}
        {heldBack(row) && `: ${heldBack(row)}`}
      </span>
      <span className="written-who">
        {say(
          "procedures.procedure-list.version-by-at",
          "version {0}, {1}, {2}",
          row.version,
          row.author,
          clock.date(row.savedAt),
        )}
      </span>
      {onDraft && row.state === "APPROVED" ? (
        <button
          className="btn small"
          type="button"
          onClick={() => onDraft(row)}
          aria-label={say("procedures.procedure-list.new-draft-from", "New draft from {0}", row.title)}
        >
          {say("procedures.procedure-list.new-draft", "New draft")}
        </button>
      ) : (
        <span />
      )}
    </div>
  );
}
