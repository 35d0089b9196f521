import { useNavigate } from "react-router";
import type { Schemas } from "../api/client";
import type { Names } from "../ribbon/words";
import { say } from "../shared/say";
import { Approve } from "./Approve";
import type { Act } from "./bench";
import { HeadForm } from "./HeadForm";
import { Keys } from "./Keys";
import { MendAll } from "./MendAll";
import { Retire } from "./Retire";
import type { OnBench } from "./useBench";

type Props = {
  onBench: OnBench;
  sheet: Schemas["SheetView"];
  fixes: number;
  names: Names;
  actions: Schemas["ActionInfo"][];
  onAct: (a: Act) => void;
};

/** What lies over the workbench, one at a time. */
export function BenchOver(p: Props) {
  const navigate = useNavigate();
  const { bench, doc, became } = p.onBench;
  const { over } = bench;
  const close = () => p.onAct({ kind: "lay", over: null });
  return (
    <>
      {over === "keys" && <Keys onClose={close} />}
      {over === "head" && (
        <HeadForm
          doc={doc}
          sheet={p.sheet}
          onClose={close}
          onTake={(next) => {
            close();
            p.onAct({ kind: "write", doc: next });
          }}
        />
      )}
      {over === "fix" && (
        <MendAll
          doc={doc}
          names={p.names}
          actions={p.actions}
          onClose={close}
          onTake={(next, taken) => {
            close();
            p.onAct({
              kind: "write",
              doc: next,
              said: say(
                "procedures.workbench.done-remedies-undo-takes-all-of",
                "{0, plural, one {Done: # remedy. Undo takes it back.} other {Done: # remedies. Undo takes all of them back.}}",
                taken,
              ),
            });
          }}
        />
      )}
      {over === "retire" && (
        <Retire
          row={bench.saved.row}
          onClose={close}
          onRetired={(next) =>
            became(
              next,
              say(
                "procedures.workbench.retired-no-round-is-started-from",
                "Retired. No round is started from it any more.",
              ),
            )
          }
        />
      )}
      {over === "approve" && (
        <Approve
          id={bench.saved.row.id}
          version={bench.saved.row.version}
          revision={bench.revision}
          fixes={p.fixes}
          onClose={close}
          onApproved={(next) => {
            became(
              next,
              say(
                "procedures.workbench.approved-by-the-floor-works-from",
                "Approved by {0}. The floor works from it now.",
                next.row.approvedBy,
              ),
            );
            navigate(`/procedures/${next.row.id}/${next.row.version}`, { replace: true });
          }}
        />
      )}
    </>
  );
}
