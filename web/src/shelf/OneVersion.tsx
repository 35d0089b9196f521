import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { DUE_STATES, StateShape } from "../shared/DueState";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told, VERSION_STATES } from "../shared/texts";

type Row = Schemas["ProcedureRow"];

/** What keeps a draft from being approved, in words. */
function heldBack(row: Row): string {
  if (row.state === "APPROVED") {
    return row.approveReason
      ? say("shelf.one-version.all-the-same", "all the same: {0}", row.approveReason)
      : "";
  }
  if (row.state === "RETIRED") {
    return say("shelf.one-version.replaced-by-a-newer-version", "replaced by a newer version");
  }
  const held = [];
  if (row.stops > 0) {
    held.push(say("shelf.one-version.stops", "{0, plural, one {# stop} other {# stops}}", row.stops));
  }
  if (row.fixes > 0) {
    held.push(say("shelf.one-version.fixes", "{0, plural, one {# fix} other {# fixes}}", row.fixes));
  }
  return held.length ? held.join(", ") : say("shelf.one-version.ready-to-approve", "ready to approve");
}

type Props = {
  row: Row;
  due?: Schemas["DueTask"]["state"] | undefined;
  under?: boolean;
  onDraft?: ((row: Row) => void) | undefined;
};

/** One version of a procedure: how often, whether it is due, what holds it back. */
export function OneVersion({ row, due, under, onDraft }: Props) {
  const clock = useClock();
  return (
    <div className={`written-one ${row.state.toLowerCase()} ${under ? "under" : ""}`}>
      <Link to={`/procedures/${row.id}/${row.version}`}>{told(row.title)}</Link>
      <span>{told(row.kind.replaceAll("-", " "))}</span>
      <span className="written-due">
        {due && (
          <>
            <StateShape state={due} /> {DUE_STATES[due]}
          </>
        )}
      </span>
      <span className={row.stops > 0 ? "written-stops" : ""}>
        {VERSION_STATES[row.state] ?? row.state}
        {heldBack(row) && `: ${heldBack(row)}`}
      </span>
      <span className="written-who" title={row.author}>
        {say("shelf.one-version.version-at", "version {0}, {1}", row.version, clock.date(row.savedAt))}
      </span>
      {onDraft && row.state === "APPROVED" ? (
        <button
          className="btn small"
          type="button"
          onClick={() => onDraft(row)}
          aria-label={say("shelf.one-version.new-draft-from", "New draft from {0}", told(row.title))}
        >
          {say("shelf.one-version.new-draft", "New draft")}
        </button>
      ) : (
        <span />
      )}
    </div>
  );
}
