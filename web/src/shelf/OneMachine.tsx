import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { DUE_STATES, StateShape } from "../shared/DueState";
import { keys } from "../shared/keys";
import { OutlineDrawing } from "../shared/OutlineDrawing";
import { Shape, STANDING } from "../shared/Standing";
import { say } from "../shared/say";
import { sentence, told } from "../shared/texts";
import { OneVersion } from "./OneVersion";

type Row = Schemas["ProcedureRow"];
type Props = {
  machine: Schemas["MachineRow"];
  /** Nothing while the server has not said. */
  rows: Row[] | undefined;
  failed: boolean;
  onDraft: ((row: Row) => void) | undefined;
};

/** What was not heard is not passed. */
const notYet = (failed: boolean) =>
  failed ? say("shelf.one-machine.not-known", "not known: the server did not say") : "…";

/** One machine: where it stands and what is due, and what is written for it, each draft under what it would replace. */
export function OneMachine({ machine, rows, failed, onDraft }: Props) {
  const due = useQuery({ queryKey: keys.due(), queryFn: () => unwrap(api.GET("/api/due")) });
  const own = due.data?.tasks.filter((t) => t.machine === machine.code);
  const inForce = (rows ?? []).filter((r) => r.state !== "DRAFT");
  const replaces = (d: Row) =>
    inForce.find((r) => r.id === d.id) ?? inForce.find((r) => r.kind === d.kind && r.state === "APPROVED");
  const alone = (rows ?? []).filter((r) => r.state === "DRAFT" && !replaces(r));
  const dueOf = (r: Row) => (r.state === "APPROVED" ? own?.find((t) => t.task === r.id)?.state : undefined);
  return (
    <article aria-labelledby={`machine-${machine.code}`}>
      <div className="shelf-machine">
        {machine.outline && <OutlineDrawing outline={machine.outline} />}
        <h3 id={`machine-${machine.code}`}>
          <Link to={`/machines/${machine.code}`}>
            <strong className="machine-code">{machine.code}</strong> {told(machine.name)}
          </Link>
        </h3>
        <Stands code={machine.code} />
        <Others code={machine.code} written={rows ?? []} tasks={own} failed={due.isError} />
        <Uncovered code={machine.code} />
      </div>
      {!rows && <p className="quiet">{notYet(failed)}</p>}
      {rows?.length === 0 && (
        <p className="quiet">{say("shelf.one-machine.nothing-written", "nothing written yet")}</p>
      )}
      {rows && rows.length > 0 && (
        <ul>
          {[...inForce, ...alone].map((r) => (
            <li key={`${r.id}@${r.version}`}>
              <OneVersion row={r} due={dueOf(r)} onDraft={onDraft} />
              {rows
                .filter((d) => d.state === "DRAFT" && replaces(d) === r)
                .map((d) => (
                  <OneVersion key={`${d.id}@${d.version}`} row={d} under />
                ))}
            </li>
          ))}
        </ul>
      )}
    </article>
  );
}

function Stands({ code }: { code: string }) {
  const board = useQuery({ queryKey: keys.board(), queryFn: () => unwrap(api.GET("/api/board")) });
  const stands = board.data?.find((b) => b.code === code);
  return (
    <p className="shelf-standing">
      {stands ? (
        <>
          <Shape standing={stands.standing} out={stands.out != null} />
          {stands.out ? say("shelf.one-machine.out-of-use", "out of use") : STANDING[stands.standing]}
        </>
      ) : (
        notYet(board.isError)
      )}
    </p>
  );
}

type OthersProps = {
  code: string;
  written: Row[];
  tasks: Schemas["DueTask"][] | undefined;
  failed: boolean;
};

/** What is due beside the procedures: upkeep, kits, checks. */
function Others({ code, written, tasks, failed }: OthersProps) {
  if (!tasks) {
    return failed ? <p className="quiet">{notYet(true)}</p> : null;
  }
  const open = tasks.filter(
    (t) => t.state !== "DONE" && t.state !== "SOON" && !written.some((r) => r.id === t.task),
  );
  const gravest = open[0];
  return (
    gravest && (
      <p className="shelf-due">
        <StateShape state={gravest.state} />
        <Link to={`/due?machine=${code}`}>
          {DUE_STATES[gravest.state]}: {told(gravest.name)}
          {open.length > 1 && say("shelf.one-machine.and-more", " and {0} more", open.length - 1)}
        </Link>
      </p>
    )
  );
}

function Uncovered({ code }: { code: string }) {
  const bare = useQuery({ queryKey: keys.uncovered(), queryFn: () => unwrap(api.GET("/api/uncovered")) });
  const items = bare.data?.find((b) => b.code === code)?.items ?? [];
  if (!bare.data) {
    return bare.isError ? <p className="quiet">{notYet(true)}</p> : null;
  }
  return (
    items.length > 0 && (
      <details>
        <summary>
          {say(
            "shelf.one-machine.asked-by-the-sheet",
            "{0} asked by the sheet, done by none (F2)",
            items.length,
          )}
        </summary>
        <ul>
          {items.map((i) => (
            <li key={i.english}>{sentence(i)}</li>
          ))}
        </ul>
      </details>
    )
  );
}
