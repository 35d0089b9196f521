import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { told, VERSION_STATES } from "../shared/texts";
import { BringIn } from "./BringIn";
import { Lapsed } from "./Lapsed";
import { NewDraft } from "./NewDraft";
import { OneMachine } from "./OneMachine";
import "./shelf.css";

type Procedure = Schemas["ProcedureRow"];

/** The machines of the site by room, and beside each what is written for it: what is in force, what is to come. */
export default function Shelf() {
  const machines = useQuery({ queryKey: keys.machines(), queryFn: () => unwrap(api.GET("/api/machines")) });
  const rows = useQuery({ queryKey: keys.procedures(), queryFn: () => unwrap(api.GET("/api/procedures")) });
  const [filter, set] = useFilters();
  const session = useSession();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const writes = session.data?.role === "SUPERVISOR";
  const open = (made: { id: string; version: number }) => {
    queries.invalidateQueries({ queryKey: keys.procedures() });
    navigate(`/procedures/${made.id}/${made.version}`);
  };
  const draft = useMutation({
    mutationFn: (row: Procedure) =>
      unwrap(
        api.POST("/api/procedures/{id}/versions", {
          params: { path: { id: row.id } },
          body: { from: row.version },
        }),
      ),
    onSuccess: open,
  });

  const find = filter("find").toLowerCase();
  const state = filter("state");
  const finds = (text: string) => text.toLowerCase().includes(find);
  // What was replaced is looked for; until then it would only hide what is in force.
  const inState = (rows.data ?? []).filter((r) => (state ? r.state === state : r.state !== "RETIRED"));
  const shown = (machines.data ?? [])
    .map((m) => {
      const own = inState.filter((r) => r.machine === m.code);
      const whole = finds(`${m.code} ${told(m.name)} ${told(m.room)}`);
      const some = own.filter((r) => finds(`${told(r.title)} ${told(r.kind.replaceAll("-", " "))}`));
      return { m, rows: whole ? own : some, here: whole ? state === "" || own.length > 0 : some.length > 0 };
    })
    .filter((s) => s.here);
  const rooms = [...new Set(shown.map((s) => s.m.room))].sort();

  return (
    <main className="page">
      <div className="page-head">
        <h1>{say("shelf.shelf.machines-and-procedures", "Machines and procedures")}</h1>
        <span className="grow" />
        {writes && (
          <>
            <button className="btn main" type="button" onClick={() => set("new", "draft")}>
              {say("shelf.shelf.draft-from-machine-sheet", "Draft from machine sheet…")}
            </button>
            <Link className="btn" to="/procedures/old-text">
              {say("shelf.shelf.paste-an-old-procedure", "Paste an old procedure…")}
            </Link>
          </>
        )}
      </div>
      {writes && filter("new") === "draft" && <NewDraft onClose={() => set("new", "")} onMade={open} />}
      {draft.isError && (
        <p className="note stop" role="alert">
          {message(draft.error)}
        </p>
      )}
      {machines.isPending && <Waiting part what={say("shelf.shelf.loading", "Loading…")} />}
      {machines.isError && <NotShown part error={machines.error} again={() => machines.refetch()} />}
      {machines.data?.length === 0 && (
        <p className="page-state">
          {say(
            "shelf.shelf.no-machine-yet-its-sheet-comes",
            "No machine yet. Its sheet comes first; everything else is made from it.",
          )}
        </p>
      )}
      <div className="filters">
        {machines.data && machines.data.length > 0 && (
          <>
            <label>
              {say("shelf.shelf.find", "Find a machine, a room or a procedure")}
              <input
                type="search"
                value={filter("find")}
                onChange={(e) => set("find", e.currentTarget.value)}
                placeholder={say("shelf.shelf.weekly", "weekly")}
              />
            </label>
            <label>
              {say("shelf.shelf.state", "State")}
              <select value={state} onChange={(e) => set("state", e.currentTarget.value)}>
                <option value="">{say("shelf.shelf.in-force-and-drafts", "in force and drafts")}</option>
                {Object.entries(VERSION_STATES).map(([id, word]) => (
                  <option key={id} value={id}>
                    {word}
                  </option>
                ))}
              </select>
            </label>
          </>
        )}
        <span className="grow" />
        {writes && (
          <>
            <Link className="btn" to="/machines/new/sheet">
              {say("shelf.shelf.new-machine", "New machine…")}
            </Link>
            <BringIn />
          </>
        )}
      </div>
      <Lapsed />
      {machines.data && machines.data.length > 0 && shown.length === 0 && !rows.isPending && (
        <p className="page-state">
          {say("shelf.shelf.nothing-matches", "No machine, room or procedure matches.")}
        </p>
      )}
      {rooms.map((room) => (
        <section key={room} className="shelf" aria-label={told(room)}>
          <h2>{told(room)}</h2>
          {shown
            .filter((s) => s.m.room === room)
            .map((s) => (
              <OneMachine
                key={s.m.code}
                machine={s.m}
                rows={rows.data ? s.rows : undefined}
                failed={rows.isError}
                onDraft={writes ? draft.mutate : undefined}
              />
            ))}
        </section>
      ))}
    </main>
  );
}
