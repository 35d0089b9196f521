import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useReading } from "../shared/texts";
import "./workbench.css";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { type Edit, freshId, type Step } from "../ribbon/draft";
import type { Mark } from "../ribbon/Ribbon";
import { useWording } from "../ribbon/useWording";
import { namesOf } from "../ribbon/words";
import { keys } from "../shared/keys";
import { useSession } from "../shared/session";
import { BenchHead } from "./BenchHead";
import { BenchOver } from "./BenchOver";
import { BenchPane, type Tab } from "./BenchPane";
import { BenchSteps } from "./BenchSteps";
import type { Act } from "./bench";
import { ribbonKeys, useBenchKeys } from "./benchKeys";
import { type OnBench, useBench } from "./useBench";
import { useBenchCommands } from "./useBenchCommands";
import { useVerdict } from "./useVerdict";

type Finding = Schemas["FindingDocument"];
const NO_MARKS: Map<string, Mark> = new Map();
const NO_FINDINGS: Finding[] = [];

export default function Workbench() {
  const { id = "", version = "1" } = useParams();
  const view = useQuery({
    queryKey: keys.procedure(id, version),
    queryFn: () =>
      unwrap(
        api.GET("/api/procedures/{id}/versions/{version}", {
          params: { path: { id, version: Number(version) } },
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const machine = view.data?.row.machine;
  useReading(machine, id);
  const { sheet, chemicals, actions } = useWording(machine);
  const failed = [view, sheet, chemicals, actions].find((q) => q.isError);
  if (failed) {
    return (
      <NotShown
        what={say("procedures.workbench.this-procedure-cannot-be-shown", "This procedure cannot be shown")}
        error={failed.error}
        again={() => failed.refetch()}
      />
    );
  }
  if (!view.data || !sheet.data || !chemicals.data || !actions.data) {
    return (
      <Waiting
        what={say(
          "procedures.workbench.loading-the-procedure-and-its-machine",
          "Loading the procedure and its machine…",
        )}
      />
    );
  }
  return (
    <Bench
      key={`${id}@${version}`}
      view={view.data}
      sheet={sheet.data}
      chemicals={chemicals.data}
      actions={actions.data}
    />
  );
}

type BenchProps = {
  view: Schemas["ProcedureView"];
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  actions: Schemas["ActionInfo"][];
};

type Place = { step?: string | null; show?: Tab; only?: string | null; fitted?: string | null };

/** Step and side pane are in the address, both changed at once. */
function useAddress() {
  const [params, setParams] = useSearchParams();
  const go = useCallback(
    (to: Place) =>
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          for (const [key, value] of Object.entries(to)) {
            if (value) {
              next.set(key, value);
            } else {
              next.delete(key);
            }
          }
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );
  return {
    selected: params.get("step"),
    tab: (params.get("show") ?? "verdict") as Tab,
    configuration: Number(params.get("fitted") ?? 0) || 0,
    troubled: params.get("only") === "findings",
    go,
  };
}

/** Coming by an address, the step it names is brought into sight once the ribbon stands. */
function useArrival(selected: string | null, drawn: boolean) {
  const arrived = useRef(selected);
  useEffect(() => {
    if (drawn && arrived.current) {
      document.querySelector(`[data-step="${arrived.current}"]`)?.scrollIntoView({ block: "center" });
      arrived.current = null;
    }
  }, [drawn]);
}

/** The newest of a function under one name, so that rows which hold it are not drawn anew. */
function useNewest<A extends unknown[]>(does: (...given: A) => void): (...given: A) => void {
  const newest = useRef(does);
  newest.current = does;
  return useCallback((...given: A) => newest.current(...given), []);
}

function Bench({ view, sheet, chemicals, actions }: BenchProps) {
  const session = useSession();
  const onBench = useBench(view, sheet.version);
  const { bench, doc } = onBench;
  const editable = session.data?.role === "SUPERVISOR" && bench.saved.row.state === "DRAFT";
  const { selected, tab, configuration, troubled, go } = useAddress();
  const judging = useVerdict(doc, configuration);
  const { verdict, problems, trouble } = judging;
  const findings = verdict?.findings ?? NO_FINDINGS;
  const names = useMemo(() => namesOf(sheet, chemicals), [sheet, chemicals]);
  const [marks, setMarks] = useState(NO_MARKS);
  useArrival(selected, verdict !== null);
  const index = doc.steps.findIndex((s) => s.id === selected);
  const step = index >= 0 ? doc.steps[index] : null;

  /** Whoever may not write changes nothing that is written. */
  function act(a: Act) {
    const next = editable || !WRITES.includes(a.kind) ? onBench.act(a) : bench;
    if (next.history.now !== doc) {
      // Sent before it is drawn: the answer is on its way while the letters appear.
      judging.begin(next.history.now);
    }
    return next;
  }

  function insertAfter(place: number, typed?: Partial<Step>, edits = typed === undefined) {
    const id = freshId(doc);
    act({
      kind: "insert",
      after: place,
      step: { minutes: 1, people: 1, action: "inspect", ...typed, id },
    });
    go(edits ? { step: id, show: "step" } : { step: id });
  }

  function remove(place: number) {
    if (place >= 0) {
      const next = act({ kind: "remove", step: doc.steps[place].id }).history.now;
      go({ step: next.steps[Math.min(place, next.steps.length - 1)]?.id ?? null });
    }
  }

  function show(f: Finding) {
    act({ kind: "light", finding: f });
    go(f.stepId ? { step: f.stepId, show: "verdict" } : { show: "verdict" });
  }

  function walk(by: number) {
    const roots = findings.filter((f) => f.under === undefined || f.under === null);
    if (roots.length > 0) {
      const { lit } = bench;
      const now = lit ? roots.findIndex((f) => f.rule === lit.rule && f.stepId === lit.stepId) : -1;
      show(roots[(now + by + roots.length) % roots.length]);
    }
  }

  function apply(edits: Edit[], what: string) {
    if (!judging.proven) {
      // A second click on the same remedy: it was proven for the state before the first.
      const text = say(
        "procedures.workbench.this-is-being-judged-again-its",
        "This is being judged again; its fixes come with the verdict.",
      );
      act({ kind: "say", said: { text, stop: false } });
      return;
    }
    act({ kind: "fix", edits, said: doneSaid(what) });
    const first = edits.find((e) => e.step)?.step?.id;
    if (first) {
      go({ step: first });
    }
  }

  const save = () => void onBench.save();
  const undo = () => act({ kind: "undo" });
  const redo = () => act({ kind: "redo" });
  useBenchKeys({
    save: () => editable && save(),
    undo,
    redo,
    keys: () => act({ kind: "lay", over: "keys" }),
  });
  useBenchCommands(editable, actions, {
    show: (tab) => go({ show: tab }),
    save,
    undo,
    redo,
    insert: (action) => insertAfter(index < 0 ? doc.steps.length - 1 : index, { action }, true),
  });

  const onKey = useNewest(
    ribbonKeys({
      walkTo: (by) => {
        const s = doc.steps[Math.max(0, Math.min(doc.steps.length - 1, index + by))];
        if (s) {
          go({ step: s.id });
          document.querySelector<HTMLElement>(`[data-step="${s.id}"]`)?.focus();
        }
      },
      move: (by) => step && act({ kind: "move", step: step.id, by }),
      edit: () => step && go({ show: "step" }),
      insert: () => insertAfter(index),
      remove: () => remove(index),
      only: () => go({ only: troubled ? null : "findings" }),
      walk,
    }),
  );
  const onMove = useNewest((from: string, onto: string) => {
    act({ kind: "carry", step: from, onto });
    go({ step: from });
  });
  const onFold = useNewest((phase: string) => {
    act({ kind: "fold", phase });
  });
  const onSelect = useNewest((s: string) => go({ step: s, show: "step" }));
  const onStep = useNewest((next: Step, field: string) => {
    act({ kind: "change-step", step: next, field });
  });
  const onTyped = useNewest((typed: Step) => insertAfter(index < 0 ? doc.steps.length - 1 : index, typed));

  return (
    <main className="bench">
      <BenchHead
        draft={onBench}
        sheet={sheet}
        editable={editable}
        stops={verdict?.stops ?? 0}
        unjudged={judging.busy || problems.length > 0 || trouble !== null || verdict === null}
        onHead={() => act({ kind: "lay", over: "head" })}
        onApprove={() => act({ kind: "lay", over: "approve" })}
        onRetire={() => act({ kind: "lay", over: "retire" })}
      />
      <BenchSaid bench={bench} onTheirs={onBench.theirs} />
      <div className="bench-body">
        <BenchSteps
          bench={bench}
          selected={selected}
          judging={judging}
          findings={findings}
          troubled={troubled}
          editable={editable}
          machine={sheet.code}
          names={names}
          actions={actions}
          marks={tab === "compare" ? marks : NO_MARKS}
          onAdd={() => insertAfter(index < 0 ? doc.steps.length - 1 : index)}
          onBy={(by) => step && act({ kind: "move", step: step.id, by })}
          onRemove={() => remove(index)}
          onOnly={() => go({ only: troubled ? null : "findings" })}
          onFold={onFold}
          onSelect={onSelect}
          onKey={onKey}
          onMove={onMove}
          onTyped={onTyped}
        />
        <BenchPane
          bench={bench}
          tab={tab}
          step={step}
          number={index + 1}
          judging={judging}
          configuration={configuration}
          editable={editable}
          sheet={sheet}
          chemicals={chemicals}
          names={names}
          actions={actions}
          onGo={go}
          onStep={onStep}
          onMarks={setMarks}
          onShow={show}
          onApply={apply}
          onMendAll={() => act({ kind: "lay", over: "fix" })}
          onTake={(next, what) => {
            act({ kind: "write", doc: next, said: doneSaid(what) });
            go({ show: "verdict" });
          }}
        />
      </div>
      <BenchOver
        onBench={onBench}
        sheet={sheet}
        fixes={verdict?.fixes ?? 0}
        names={names}
        actions={actions}
        onAct={act}
      />
    </main>
  );
}

/** What only who may write does. */
const WRITES: Act["kind"][] = ["write", "change-step", "insert", "move", "carry", "remove", "fix"];

const doneSaid = (what: string) =>
  say("procedures.workbench.done-undo-takes-it-back", "Done: {0}. Undo takes it back.", what);

/** What was done last, or what stands in its way. */
function BenchSaid({ bench, onTheirs }: { bench: OnBench["bench"]; onTheirs: () => void }) {
  const { said, restored } = bench;
  if (!said && !restored) {
    return null;
  }
  return (
    <p className={`note ${said?.stop ? "stop" : "done"} bench-said`} role={said?.stop ? "alert" : "status"}>
      {said?.text ??
        say(
          "procedures.workbench.unsaved-changes-from-this-browser-were",
          "Unsaved changes from this browser were put back.",
        )}
      {said?.overtaken && (
        <button className="btn small" type="button" onClick={onTheirs}>
          {say("procedures.workbench.show-theirs", "Show theirs")}
        </button>
      )}
    </p>
  );
}
