import type { Schemas } from "../api/client";
import { InLanguages } from "../shared/InLanguages";
import { PrintMenu } from "../shared/PrintMenu";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";
import type { OnBench } from "./useBench";

type Props = {
  draft: OnBench;
  sheet: Schemas["SheetView"];
  editable: boolean;
  stops: number;
  /** There is no verdict on what is written now. */
  unjudged: boolean;
  onHead: () => void;
  onApprove: () => void;
  onRetire: () => void;
};

/** What this procedure is, and what can be done with it as a whole. */
export function BenchHead({ draft, sheet, editable, stops, unjudged, onHead, onApprove, onRetire }: Props) {
  const session = useSession();
  const { row } = draft.bench.saved;
  const { past, future } = draft.bench.history;
  const paper = `/api/prints/procedures/${row.id}/${row.version}`;
  const state =
    row.state === "DRAFT"
      ? say("procedures.bench-head.draft", "draft {0}", row.version)
      : say(
          "procedures.bench-head.version",
          "version {0}, {1}",
          row.version,
          row.state === "RETIRED"
            ? say("procedures.bench-head.retired", "retired")
            : say("procedures.bench-head.approved", "approved"),
        );
  return (
    <div className="bench-head">
      <h1>{told(draft.doc.title)}</h1>
      <p className="quiet">
        {say(
          "procedures.bench-head.from-sheet",
          "{0}, {1}, from sheet {2}",
          sheet.code,
          state,
          draft.doc.sheetVersion,
        )}
        {sheet.configuration && `: ${told(sheet.configuration)}`}
      </p>
      <span className="grow" />
      <InLanguages document={row.id} />
      <PrintMenu
        languages
        prints={[
          [
            say("procedures.bench-head.step-cards-one-a-page", "Step cards, one a page"),
            `${paper}/cards.pdf`,
          ],
          [say("procedures.bench-head.wall-sheet", "Wall sheet"), `${paper}/wall.pdf`],
          [
            say(
              "procedures.bench-head.whole-procedure-with-verdict-and-approval",
              "Whole procedure with verdict and approval",
            ),
            `${paper}/whole.pdf`,
          ],
          [
            say("procedures.bench-head.word-document-to-edit", "Word document to edit"),
            `${paper}/procedure.docx`,
          ],
          [
            say(
              "procedures.bench-head.blank-round-for-a-night-without",
              "Blank round, for a night without the server",
            ),
            `${paper}/round.pdf`,
          ],
          [
            say("procedures.bench-head.lockout-sheet-of-the-machine", "Lockout sheet of the machine"),
            `/api/prints/machines/${sheet.code}/lockout.pdf`,
          ],
          [
            say("procedures.bench-head.brush-chart-of-the-machine", "Brush chart of the machine"),
            `/api/prints/machines/${sheet.code}/brushes.pdf`,
          ],
        ]}
      />
      {editable ? (
        <>
          <button className="btn" type="button" onClick={onHead}>
            {say("procedures.bench-head.title-people-ppe", "Title, PPE, people…")}
          </button>
          <button
            className="btn"
            type="button"
            onClick={() => draft.act({ kind: "undo" })}
            disabled={past.length === 0}
          >
            {say("procedures.bench-head.undo", "Undo")}
          </button>
          <button
            className="btn"
            type="button"
            onClick={() => draft.act({ kind: "redo" })}
            disabled={future.length === 0}
          >
            {say("procedures.bench-head.redo", "Redo")}
          </button>
          <button className="btn" type="button" onClick={draft.save} disabled={!draft.dirty}>
            {draft.dirty
              ? say("procedures.bench-head.save", "Save")
              : say("procedures.bench-head.saved", "Saved")}
          </button>
          <button
            className="btn main"
            type="button"
            disabled={stops > 0 || unjudged || draft.dirty}
            onClick={onApprove}
            title={draft.dirty ? say("procedures.bench-head.save-first", "Save first") : undefined}
          >
            {stops > 0
              ? say(
                  "procedures.bench-head.approve-left",
                  "Approve ({0, plural, one {# stop} other {# stops}} left)",
                  stops,
                )
              : say("procedures.bench-head.approve", "Approve…")}
          </button>
        </>
      ) : (
        <>
          {session.data?.role === "SUPERVISOR" && row.state === "APPROVED" && (
            <button className="btn" type="button" onClick={onRetire}>
              {say("procedures.bench-head.retire", "Retire…")}
            </button>
          )}
          <Approval row={row} />
        </>
      )}
    </div>
  );
}

function Approval({ row }: { row: Schemas["ProcedureRow"] }) {
  const clock = useClock();
  return (
    <p className="quiet">
      {row.approvedBy &&
        say(
          "procedures.bench-head.approved-by",
          "approved by {0}, {1} {2}",
          row.approvedBy,
          clock.day(row.approvedAt ?? 0),
          clock.time(row.approvedAt ?? 0),
        )}
    </p>
  );
}
