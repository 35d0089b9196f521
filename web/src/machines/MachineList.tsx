import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { keys } from "../shared/keys";
import { OutlineDrawing } from "../shared/OutlineDrawing";
import { NotShown, Waiting } from "../shared/PageState";
import { Shape, STANDING } from "../shared/Standing";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { told } from "../shared/texts";
import "./machines.css";

type Row = Schemas["MachineRow"];
type Procedure = Schemas["ProcedureRow"];

/** What was not heard is not passed. */
const notYet = (failed: boolean) =>
  failed
    ? say("machines.machine-list.not-known-the-server-did-not", "not known: the server did not say")
    : "…";

/** The machines of the site by room: drawing, standing, and what is written for each. */
export default function MachineList() {
  const session = useSession();
  const [filter, set] = useFilters();
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const board = useQuery({ queryKey: keys.board(), queryFn: () => unwrap(api.GET("/api/board")) });
  const wanted = filter("find").toLowerCase();
  const shown = (machines.data ?? []).filter((m) =>
    `${m.code} ${told(m.name)} ${told(m.room)}`.toLowerCase().includes(wanted),
  );
  const rooms = [...new Set(shown.map((m) => m.room))].sort();
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say("machines.machine-list.machines", "Machines")}</h1>
        <span className="grow" />
        <label className="shelf-find">
          {say("machines.machine-list.find", "Find a machine or a room")}
          <input
            type="search"
            value={filter("find")}
            onChange={(e) => set("find", e.currentTarget.value)}
            placeholder={say("machines.machine-list.bakery", "bakery")}
          />
        </label>
        {session.data?.role === "SUPERVISOR" && (
          <Link className="btn main" to="/machines/new/sheet">
            {say("machines.machine-list.new-machine", "New machine…")}
          </Link>
        )}
      </div>
      {machines.isPending && <Waiting part what={say("machines.machine-list.loading", "Loading…")} />}
      {machines.isError && <NotShown part error={machines.error} again={() => machines.refetch()} />}
      {machines.data?.length === 0 && (
        <p className="page-state">
          {say(
            "machines.machine-list.no-machine-yet-its-sheet-comes",
            "No machine yet. Its sheet comes first; everything else is made from it.",
          )}
        </p>
      )}
      {machines.data && machines.data.length > 0 && shown.length === 0 && (
        <p className="page-state">
          {say(
            "machines.machine-list.no-machine-matches",
            "No machine or room matches “{0}”.",
            filter("find"),
          )}
        </p>
      )}
      <div className="shelf">
        {rooms.map((room) => (
          <section key={room}>
            <h2>{told(room)}</h2>
            <ul aria-label={told(room)}>
              {shown
                .filter((m) => m.room === room)
                .map((m) => (
                  <Machine key={m.code} m={m} stands={board.data?.find((b) => b.code === m.code)} />
                ))}
            </ul>
          </section>
        ))}
      </div>
    </main>
  );
}

function Machine({ m, stands }: { m: Row; stands: Schemas["Machine"] | undefined }) {
  const bare = useQuery({ queryKey: keys.uncovered(), queryFn: () => unwrap(api.GET("/api/uncovered")) });
  const open = bare.data?.find((b) => b.code === m.code)?.items.length ?? 0;
  return (
    <li>
      <Link to={`/machines/${m.code}`} className="shelf-machine">
        {m.outline && <OutlineDrawing outline={m.outline} />}
        <span>
          <strong className="machine-code">{m.code}</strong>{" "}
          <span className="machine-name">{told(m.name)}</span>
        </span>
      </Link>
      {stands && (
        <p className="shelf-standing">
          <Shape standing={stands.standing} out={stands.out != null} />
          {stands.out ? say("machines.machine-list.out-of-use", "out of use") : STANDING[stands.standing]}
        </p>
      )}
      <Written code={m.code} />
      {(open > 0 || !bare.data) && (
        <p className={open > 0 ? "machine-open" : "quiet"}>
          {open > 0
            ? say(
                "machines.machine-list.on-the-sheet-that-nothing-covers",
                "{0} on the sheet that nothing covers",
                open,
              )
            : notYet(bare.isError)}
        </p>
      )}
    </li>
  );
}

/** Its procedures, each with the draft that would replace it beneath it. */
function Written({ code }: { code: string }) {
  const rows = useQuery({ queryKey: keys.procedures(), queryFn: () => unwrap(api.GET("/api/procedures")) });
  if (!rows.data) {
    return <p className="quiet">{notYet(rows.isError)}</p>;
  }
  const own = rows.data.filter((r) => r.machine === code && r.state !== "RETIRED");
  if (own.length === 0) {
    return (
      <p className="quiet">{say("machines.machine-list.nothing-approved-yet", "nothing approved yet")}</p>
    );
  }
  const ids = [...new Set(own.map((r) => r.id))];
  const approved = (id: string) => own.some((r) => r.id === id && r.state === "APPROVED");
  return (
    <ul className="shelf-written">
      {ids
        .sort((a, b) => Number(approved(b)) - Number(approved(a)))
        .map((id) => (
          <li key={id}>
            {own
              .filter((r) => r.id === id)
              .sort((a, b) => a.state.localeCompare(b.state))
              .map((r) => (
                <Version key={r.version} row={r} />
              ))}
          </li>
        ))}
    </ul>
  );
}

function Version({ row }: { row: Procedure }) {
  const draft = row.state === "DRAFT";
  return (
    <p className={draft ? "shelf-draft" : ""}>
      <Link to={`/procedures/${row.id}/${row.version}`}>{told(row.title)}</Link>
      {draft && (
        <span className="quiet">
          {" "}
          {row.stops + row.fixes === 0
            ? say("machines.machine-list.draft-ready", "draft, ready to approve")
            : say("machines.machine-list.draft-open", "draft: {0} STOP, {1} FIX", row.stops, row.fixes)}
        </span>
      )}
    </p>
  );
}
