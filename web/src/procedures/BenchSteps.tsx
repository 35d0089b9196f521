import { type KeyboardEvent, useMemo } from "react";
import type { Schemas } from "../api/client";
import type { Doc, Step } from "../ribbon/draft";
import { Legend, type Mark, Ribbon } from "../ribbon/Ribbon";
import type { Names } from "../ribbon/words";
import { say } from "../shared/say";
import type { Bench } from "./bench";
import { LineField } from "./LineField";
import type { Judging } from "./useVerdict";

type Props = {
  bench: Bench;
  selected: string | null;
  judging: Judging;
  findings: Schemas["FindingDocument"][];
  /** Only what has a finding is asked for. */
  troubled: boolean;
  editable: boolean;
  machine: string;
  names: Names;
  actions: Schemas["ActionInfo"][];
  marks: Map<string, Mark>;
  onAdd: () => void;
  onBy: (by: number) => void;
  onRemove: () => void;
  onOnly: () => void;
  onFold: (phase: string) => void;
  onSelect: (step: string) => void;
  onKey: (e: KeyboardEvent) => void;
  onMove: (from: string, onto: string) => void;
  onTyped: (typed: Step) => void;
};

/** The left of the workbench: the steps with their ribbon, and what is done to them. */
export function BenchSteps(p: Props) {
  const { bench, selected, judging, findings, troubled, editable } = p;
  const { verdict } = judging;
  const doc = bench.history.now;
  const index = doc.steps.findIndex((s) => s.id === selected);
  const fresh = verdict !== null && verdict.ribbon.steps.length === doc.steps.length ? verdict : null;
  const phases = usePhases(doc, verdict);
  return (
    <section
      className="bench-left"
      aria-label={say("procedures.workbench.steps-and-ribbon", "Steps and ribbon")}
      aria-busy={judging.busy}
    >
      <div className="step-tools" role="toolbar" aria-label={say("procedures.workbench.step", "Step")}>
        {editable && (
          <>
            <button className="btn small" type="button" onClick={p.onAdd}>
              {say("procedures.workbench.add-a-step", "Add a step")}
            </button>
            <button className="btn small" type="button" disabled={index < 1} onClick={() => p.onBy(-1)}>
              {say("procedures.workbench.up", "Up")}
            </button>
            <button
              className="btn small"
              type="button"
              disabled={index < 0 || index >= doc.steps.length - 1}
              onClick={() => p.onBy(1)}
            >
              {say("procedures.workbench.down", "Down")}
            </button>
            <button className="btn small" type="button" disabled={index < 0} onClick={p.onRemove}>
              {say("procedures.workbench.delete", "Delete")}
            </button>
          </>
        )}
        <label className="only">
          <input
            type="checkbox"
            checked={troubled}
            disabled={!troubled && findings.length === 0}
            onChange={p.onOnly}
          />
          {say("procedures.workbench.only-what-has-a-finding", "Only what has a finding")}
        </label>
      </div>
      {doc.steps.length === 0 ? (
        <p className="page-state">
          {say(
            "procedures.workbench.no-step-yet-add-a-step",
            "No step yet. “Add a step” begins; each one runs through the machine at once.",
          )}
        </p>
      ) : (
        <Ribbon
          steps={doc.steps}
          ribbon={fresh?.ribbon ?? null}
          phases={phases}
          folded={bench.folded}
          onFold={p.onFold}
          selected={selected}
          onSelect={p.onSelect}
          onKey={p.onKey}
          findings={findings}
          lit={bench.lit}
          troubled={troubled && findings.length > 0}
          names={p.names}
          actions={p.actions}
          marks={p.marks}
          onMove={editable ? p.onMove : undefined}
        />
      )}
      {editable && (
        <LineField
          machine={p.machine}
          step={null}
          label={
            index < 0
              ? say("procedures.workbench.type-the-next-step", "Type the next step")
              : say("procedures.workbench.type-a-step-after-step", "Type a step after step {0}", index + 1)
          }
          onStep={p.onTyped}
        />
      )}
      <Legend />
    </section>
  );
}

/** The phase of each step; one that is not judged yet stands in that of the one before it. */
function usePhases(doc: Doc, verdict: Schemas["VerdictDocument"] | null): string[] {
  const known = new Map(verdict?.ribbon.steps.map((s) => [s.id, s.phase]));
  let last = verdict?.ribbon.steps[0]?.phase ?? "";
  // As text, so that the list stays the same one while a word is typed.
  const text = doc.steps
    .map((s) => {
      last = known.get(s.id) ?? last;
      return last;
    })
    .join("\n");
  return useMemo(() => text.split("\n"), [text]);
}
