import { useMemo } from "react";
import type { Schemas } from "../api/client";
import type { Doc, Edit, Step } from "../ribbon/draft";
import type { Mark } from "../ribbon/Ribbon";
import type { Names } from "../ribbon/words";
import { say } from "../shared/say";
import { TabRow } from "../shared/TabRow";
import type { Bench } from "./bench";
import { Comments } from "./Comments";
import { Compare } from "./Compare";
import { StepEditor } from "./StepEditor";
import type { Judging } from "./useVerdict";
import { VerdictPane } from "./VerdictPane";
import { WhatIf } from "./WhatIf";

export type Tab = "verdict" | "step" | "compare" | "what-if";

type Finding = Schemas["FindingDocument"];

type Props = {
  bench: Bench;
  tab: Tab;
  step: Step | null;
  number: number;
  judging: Judging;
  configuration: number;
  editable: boolean;
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  names: Names;
  actions: Schemas["ActionInfo"][];
  onGo: (to: { step?: string | null; show?: Tab; fitted?: string | null }) => void;
  onStep: (next: Step, field: string) => void;
  onMarks: (marks: Map<string, Mark>) => void;
  onShow: (f: Finding) => void;
  onApply: (edits: Edit[], what: string) => void;
  onMendAll: () => void;
  onTake: (next: Doc, what: string) => void;
};

/** The right of the workbench: the verdict, the chosen step, a comparison, or what would be if. */
export function BenchPane(p: Props) {
  const { bench, tab, step, judging, editable } = p;
  const { verdict, problems, trouble } = judging;
  const doc = bench.history.now;
  const stepProblems = useMemo(
    () => problems.filter((x) => x.pointer.startsWith(`/steps/${p.number - 1}/`)),
    [problems, p.number],
  );
  return (
    <aside
      className="bench-right"
      aria-label={say("procedures.workbench.verdict-and-step", "Verdict and step")}
    >
      <TabRow
        className="tabs"
        label={say("procedures.workbench.panes", "Panes")}
        shown={tab}
        onShow={(id) => p.onGo({ show: id as Tab })}
        tabs={[
          {
            id: "verdict",
            name: say(
              "procedures.workbench.verdict",
              "Verdict{0}",
              verdict ? ` ${verdict.stops} + ${verdict.fixes}` : "",
            ),
          },
          {
            id: "step",
            name: step
              ? say("procedures.workbench.step-2", "Step {0}", p.number)
              : say("procedures.workbench.step", "Step"),
            disabled: !step,
          },
          { id: "compare", name: say("procedures.workbench.compare", "Compare") },
          { id: "what-if", name: say("procedures.workbench.what-if", "What if") },
        ]}
      />
      {trouble && (
        <p className="note stop" role="alert">
          {say(
            "procedures.workbench.the-verdict-below-may-be-older",
            "{0} The verdict below may be older than what you see.",
            trouble,
          )}
        </p>
      )}
      {problems.length > 0 && (
        <div className="note stop" role="alert">
          <strong>
            {say("procedures.workbench.not-judged-until-this-is-fixed", "Not judged until this is fixed:")}
          </strong>
          <ul>
            {problems.slice(0, 5).map((x) => (
              <li key={x.pointer + x.message}>
                {where(x.pointer, doc.steps)}
                {x.message}
              </li>
            ))}
          </ul>
        </div>
      )}
      {tab === "step" && step ? (
        <>
          <StepEditor
            key={step.id}
            step={step}
            settled={!judging.busy}
            number={p.number}
            actions={p.actions}
            sheet={p.sheet}
            chemicals={p.chemicals}
            readOnly={!editable}
            problems={stepProblems}
            onChange={p.onStep}
          />
          <Comments key={`said-${step.id}`} row={bench.saved.row} stepId={step.id} />
        </>
      ) : tab === "compare" ? (
        <Compare
          doc={doc}
          row={bench.saved.row}
          onMarks={p.onMarks}
          onShow={(stepId) => p.onGo({ step: stepId, show: "compare" })}
        />
      ) : tab === "what-if" ? (
        <WhatIf doc={doc} chemicals={p.chemicals} editable={editable} onTake={p.onTake} />
      ) : verdict ? (
        <VerdictPane
          verdict={verdict}
          steps={doc.steps}
          names={p.names}
          actions={p.actions}
          lit={bench.lit}
          onShow={p.onShow}
          onApply={p.onApply}
          onMendAll={p.onMendAll}
          configuration={p.configuration}
          onConfiguration={(i) => p.onGo({ fitted: i === 0 ? null : String(i) })}
          editable={editable && problems.length === 0}
          proven={judging.proven}
        />
      ) : (
        <p className="page-state">
          {say("procedures.workbench.running-it-through-the-machine", "Running it through the machine…")}
        </p>
      )}
    </aside>
  );
}

function where(pointer: string, steps: Step[]): string {
  const [, place, number, field] = pointer.split("/");
  if (place === "steps" && steps[Number(number)]) {
    return say("procedures.workbench.step-3", "Step {0}{1}: ", Number(number) + 1, field ? `, ${field}` : "");
  }
  return "";
}
