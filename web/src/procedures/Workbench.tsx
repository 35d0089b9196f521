import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { TabRow } from "../shared/TabRow";
import "./workbench.css";
import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { applyEdits, type Doc, type Edit, freshId, type Step } from "../ribbon/draft";
import { Legend, type Mark, Ribbon } from "../ribbon/Ribbon";
import { namesOf } from "../ribbon/words";
import { keys } from "../shared/keys";
import { useSession } from "../shared/session";
import { Approve } from "./Approve";
import { BenchHead } from "./BenchHead";
import { Comments } from "./Comments";
import { Compare } from "./Compare";
import { HeadForm } from "./HeadForm";
import { Keys } from "./Keys";
import { LineField } from "./LineField";
import { MendAll } from "./MendAll";
import { Retire } from "./Retire";
import { StepEditor } from "./StepEditor";
import { useBenchCommands } from "./useBenchCommands";
import { useDraft } from "./useDraft";
import { useVerdict } from "./useVerdict";
import { VerdictPane } from "./VerdictPane";
import { WhatIf } from "./WhatIf";

type Finding = Schemas["FindingDocument"];
type Tab = "verdict" | "step" | "compare" | "what-if";
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
  const sheet = useQuery({
    queryKey: keys.sheet(machine),
    enabled: machine !== undefined,
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code: machine ?? "" } } })),
  });
  const chemicals = useQuery({
    queryKey: keys.chemicals(),
    queryFn: () => unwrap(api.GET("/api/chemicals")),
  });
  const actions = useQuery({
    queryKey: keys.actions(),
    queryFn: () => unwrap(api.GET("/api/actions")),
    staleTime: Number.POSITIVE_INFINITY,
  });
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

function Bench({ view, sheet, chemicals, actions }: BenchProps) {
  const session = useSession();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const [said, setSaid] = useState<{ text: string; stop: boolean; overtaken?: boolean } | null>(null);
  const draft = useDraft(view, sheet.version, setSaid);
  const { doc, saved } = draft;
  const editable = session.data?.role === "SUPERVISOR" && saved.row.state === "DRAFT";
  const configuration = Number(params.get("fitted") ?? 0) || 0;
  const troubled = params.get("only") === "findings";
  const judging = useVerdict(doc, configuration);
  const { verdict, problems, trouble } = judging;
  const findings = verdict?.findings ?? NO_FINDINGS;

  const names = useMemo(() => namesOf(sheet, chemicals), [sheet, chemicals]);
  const selected = params.get("step");
  const tab = (params.get("show") ?? "verdict") as Tab;
  const [marks, setMarks] = useState(NO_MARKS);
  /** Step and side pane are in the address, both changed at once. */
  const go = useCallback(
    (to: { step?: string | null; show?: Tab; only?: string | null; fitted?: string | null }) =>
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
  const [lit, setLit] = useState<Finding | null>(null);
  const [folded, setFolded] = useState<Set<string>>(new Set());
  const [dialog, setDialog] = useState<"keys" | "head" | "approve" | "fix" | "retire" | null>(null);

  // Coming by an address, the step it names is brought into sight once the ribbon stands.
  const drawn = verdict !== null;
  const arrived = useRef(selected);
  useEffect(() => {
    if (drawn && arrived.current) {
      document.querySelector(`[data-step="${arrived.current}"]`)?.scrollIntoView({ block: "center" });
      arrived.current = null;
    }
  }, [drawn]);
  const index = doc.steps.findIndex((s) => s.id === selected);
  const step = index >= 0 ? doc.steps[index] : null;
  const fresh = verdict !== null && verdict.ribbon.steps.length === doc.steps.length ? verdict : null;
  // The phases as text, so that their list stays the same one while a word is typed.
  const known = new Map(verdict?.ribbon.steps.map((s) => [s.id, s.phase]));
  let last = verdict?.ribbon.steps[0]?.phase ?? "";
  const phaseText = doc.steps
    .map((s) => {
      last = known.get(s.id) ?? last;
      return last;
    })
    .join("\n");
  const phases = useMemo(() => phaseText.split("\n"), [phaseText]);

  const { change } = draft;
  const { begin } = judging;
  const put = useCallback(
    (next: Doc, field: string | null = null) => {
      if (editable) {
        // Sent before it is drawn: the answer is on its way while the letters appear.
        begin(next);
        change(next, field);
        setSaid(null);
      }
    },
    [editable, begin, change],
  );
  const onFold = useCallback(
    (phase: string) =>
      setFolded((f) => {
        const next = new Set(f);
        if (!next.delete(phase)) {
          next.add(phase);
        }
        return next;
      }),
    [],
  );

  function insertAfter(place: number, typed?: Step, edits = typed === undefined) {
    const id = freshId(doc);
    const steps = [...doc.steps];
    steps.splice(place + 1, 0, { minutes: 1, people: 1, ...(typed ?? { action: "inspect" }), id });
    put({ ...doc, steps });
    go(edits ? { step: id, show: "step" } : { step: id });
  }

  function move(place: number, by: number) {
    const to = place + by;
    if (place < 0 || to < 0 || to >= doc.steps.length) {
      return;
    }
    const steps = [...doc.steps];
    const [moved] = steps.splice(place, 1);
    steps.splice(to, 0, moved);
    put({ ...doc, steps });
  }

  function remove(place: number) {
    if (place < 0) {
      return;
    }
    const steps = doc.steps.filter((_, i) => i !== place);
    put({ ...doc, steps });
    go({ step: steps[Math.min(place, steps.length - 1)]?.id ?? null });
  }

  function show(f: Finding) {
    setLit(f);
    setFolded(new Set());
    go(f.stepId ? { step: f.stepId, show: "verdict" } : { show: "verdict" });
  }

  function walk(by: number) {
    const roots = findings.filter((f) => f.under === undefined || f.under === null);
    if (roots.length > 0) {
      const now = lit ? roots.findIndex((f) => f.rule === lit.rule && f.stepId === lit.stepId) : -1;
      show(roots[(now + by + roots.length) % roots.length]);
    }
  }

  function apply(edits: Edit[], what: string) {
    if (!judging.proven) {
      // A second click on the same remedy: it was proven for the state before the first.
      setSaid({
        text: say(
          "procedures.workbench.this-is-being-judged-again-its",
          "This is being judged again; its fixes come with the verdict.",
        ),
        stop: false,
      });
      return;
    }
    put(applyEdits(doc, edits));
    setLit(null);
    setSaid({
      text: say("procedures.workbench.done-undo-takes-it-back", "Done: {0}. Undo takes it back.", what),
      stop: false,
    });
    const first = edits.find((e) => e.step)?.step?.id;
    if (first) {
      go({ step: first });
    }
  }

  const { undo, redo, save } = draft;
  const onAnyKey = useRef((_e: globalThis.KeyboardEvent) => {});
  onAnyKey.current = (e) => {
    const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select") !== null;
    const ctrl = e.ctrlKey || e.metaKey;
    const key = e.key.toLowerCase();
    if (ctrl && key === "s") {
      e.preventDefault();
      if (editable) {
        void save();
      }
    } else if (ctrl && !typing && key === "z" && !e.shiftKey) {
      e.preventDefault();
      undo();
    } else if (ctrl && !typing && (key === "y" || (e.shiftKey && key === "z"))) {
      e.preventDefault();
      redo();
    } else if (!typing && e.key === "?") {
      setDialog("keys");
    }
  };
  useEffect(() => {
    const onKey = (e: globalThis.KeyboardEvent) => onAnyKey.current(e);
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  function onRibbonKey(e: KeyboardEvent) {
    const at = index;
    const act = (f: () => void) => {
      e.preventDefault();
      f();
    };
    const walkTo = (to: number) => {
      const s = doc.steps[Math.max(0, Math.min(doc.steps.length - 1, to))];
      if (s) {
        go({ step: s.id });
        document.querySelector<HTMLElement>(`[data-step="${s.id}"]`)?.focus();
      }
    };
    if (e.key === "ArrowDown") {
      act(() => (e.altKey ? move(at, 1) : walkTo(at + 1)));
    } else if (e.key === "ArrowUp") {
      act(() => (e.altKey ? move(at, -1) : walkTo(at - 1)));
    } else if (e.key === "Enter" && at >= 0) {
      act(() => go({ show: "step" }));
    } else if (e.key === "n") {
      act(() => insertAfter(at));
    } else if (e.key === "Delete") {
      act(() => remove(at));
    } else if (e.key === "p") {
      act(() => go({ only: troubled ? null : "findings" }));
    } else if (e.key === "f" || e.key === "F") {
      act(() => walk(e.shiftKey ? -1 : 1));
    }
  }

  useBenchCommands(editable, actions, {
    show: (tab) => go({ show: tab }),
    save: () => void save(),
    undo,
    redo,
    insert: (action) => insertAfter(index < 0 ? doc.steps.length - 1 : index, { action } as Step, true),
  });

  const onMove = useCallback((from: string, to: string) => moveTo.current(from, to), []);
  const moveTo = useRef((_from: string, _to: string) => {});
  moveTo.current = (from, to) => {
    const steps = doc.steps.filter((s) => s.id !== from);
    const moved = doc.steps.find((s) => s.id === from);
    const down = doc.steps.findIndex((s) => s.id === from) < doc.steps.findIndex((s) => s.id === to);
    const place = steps.findIndex((s) => s.id === to);
    if (moved && place >= 0) {
      steps.splice(down ? place + 1 : place, 0, moved);
      put({ ...doc, steps });
      go({ step: from });
    }
  };

  // Stable for the rows, always the newest underneath.
  const ribbonKey = useRef(onRibbonKey);
  ribbonKey.current = onRibbonKey;
  const onKey = useCallback((e: KeyboardEvent) => ribbonKey.current(e), []);
  const onSelect = useCallback((s: string) => go({ step: s, show: "step" }), [go]);
  const changeStep = useRef((_next: Step, _field: string) => {});
  changeStep.current = (next, field) => {
    const steps = [...doc.steps];
    steps[index] = next;
    put({ ...doc, steps }, field);
  };
  const onStep = useCallback((next: Step, field: string) => changeStep.current(next, field), []);
  const typeStep = useRef((_typed: Step) => {});
  typeStep.current = (typed) => insertAfter(index < 0 ? doc.steps.length - 1 : index, typed);
  const onTyped = useCallback((typed: Step) => typeStep.current(typed), []);
  const stepProblems = useMemo(
    () => problems.filter((x) => x.pointer.startsWith(`/steps/${index}/`)),
    [problems, index],
  );

  return (
    <main className="bench">
      <BenchHead
        draft={draft}
        sheet={sheet}
        editable={editable}
        stops={verdict?.stops ?? 0}
        unjudged={judging.busy || problems.length > 0 || trouble !== null || verdict === null}
        onHead={() => setDialog("head")}
        onApprove={() => setDialog("approve")}
        onRetire={() => setDialog("retire")}
      />
      {(said || draft.restored) && (
        <p
          className={`note ${said?.stop ? "stop" : "done"} bench-said`}
          role={said?.stop ? "alert" : "status"}
        >
          {said?.text ??
            say(
              "procedures.workbench.unsaved-changes-from-this-browser-were",
              "Unsaved changes from this browser were put back.",
            )}
          {said?.overtaken && (
            <button className="btn small" type="button" onClick={draft.theirs}>
              {say("procedures.workbench.show-theirs", "Show theirs")}
            </button>
          )}
        </p>
      )}
      <div className="bench-body">
        <section
          className="bench-left"
          aria-label={say("procedures.workbench.steps-and-ribbon", "Steps and ribbon")}
          aria-busy={judging.busy}
        >
          <div className="step-tools" role="toolbar" aria-label={say("procedures.workbench.step", "Step")}>
            {editable && (
              <>
                <button
                  className="btn small"
                  type="button"
                  onClick={() => insertAfter(index < 0 ? doc.steps.length - 1 : index)}
                >
                  {say("procedures.workbench.add-a-step", "Add a step")}
                </button>
                <button
                  className="btn small"
                  type="button"
                  disabled={index < 1}
                  onClick={() => move(index, -1)}
                >
                  {say("procedures.workbench.up", "Up")}
                </button>
                <button
                  className="btn small"
                  type="button"
                  disabled={index < 0 || index >= doc.steps.length - 1}
                  onClick={() => move(index, 1)}
                >
                  {say("procedures.workbench.down", "Down")}
                </button>
                <button
                  className="btn small"
                  type="button"
                  disabled={index < 0}
                  onClick={() => remove(index)}
                >
                  {say("procedures.workbench.delete", "Delete")}
                </button>
              </>
            )}
            <label className="only">
              <input
                type="checkbox"
                checked={troubled}
                disabled={!troubled && findings.length === 0}
                onChange={() => go({ only: troubled ? null : "findings" })}
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
              folded={folded}
              onFold={onFold}
              selected={selected}
              onSelect={onSelect}
              onKey={onKey}
              findings={findings}
              lit={lit}
              troubled={troubled && findings.length > 0}
              names={names}
              actions={actions}
              marks={tab === "compare" ? marks : NO_MARKS}
              onMove={editable ? onMove : undefined}
            />
          )}
          {editable && (
            <LineField
              machine={sheet.code}
              step={null}
              label={
                index < 0
                  ? say("procedures.workbench.type-the-next-step", "Type the next step")
                  : say(
                      "procedures.workbench.type-a-step-after-step",
                      "Type a step after step {0}",
                      index + 1,
                    )
              }
              onStep={onTyped}
            />
          )}
          <Legend />
        </section>
        <aside
          className="bench-right"
          aria-label={say("procedures.workbench.verdict-and-step", "Verdict and step")}
        >
          <TabRow
            className="tabs"
            label={say("procedures.workbench.panes", "Panes")}
            shown={tab}
            onShow={(id) => go({ show: id as Tab })}
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
                  ? say("procedures.workbench.step-2", "Step {0}", index + 1)
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
                {say(
                  "procedures.workbench.not-judged-until-this-is-fixed",
                  "Not judged until this is fixed:",
                )}
              </strong>
              <ul>
                {problems.slice(0, 5).map((p) => (
                  <li key={p.pointer + p.message}>
                    {where(p.pointer, doc.steps)}
                    {p.message}
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
                number={index + 1}
                actions={actions}
                sheet={sheet}
                chemicals={chemicals}
                readOnly={!editable}
                problems={stepProblems}
                onChange={onStep}
              />
              <Comments key={`said-${step.id}`} row={saved.row} stepId={step.id} />
            </>
          ) : tab === "compare" ? (
            <Compare
              doc={doc}
              row={saved.row}
              onMarks={setMarks}
              onShow={(stepId) => go({ step: stepId, show: "compare" })}
            />
          ) : tab === "what-if" ? (
            <WhatIf
              doc={doc}
              chemicals={chemicals}
              editable={editable}
              onTake={(next, said) => {
                put(next);
                setSaid({
                  text: say(
                    "procedures.workbench.done-undo-takes-it-back",
                    "Done: {0}. Undo takes it back.",
                    said,
                  ),
                  stop: false,
                });
                go({ show: "verdict" });
              }}
            />
          ) : verdict ? (
            <VerdictPane
              verdict={verdict}
              steps={doc.steps}
              names={names}
              actions={actions}
              lit={lit}
              onShow={show}
              onApply={apply}
              onMendAll={() => setDialog("fix")}
              configuration={configuration}
              onConfiguration={(i) => go({ fitted: i === 0 ? null : String(i) })}
              editable={editable && problems.length === 0}
              proven={judging.proven}
            />
          ) : (
            <p className="page-state">
              {say("procedures.workbench.running-it-through-the-machine", "Running it through the machine…")}
            </p>
          )}
        </aside>
      </div>
      {dialog === "keys" && <Keys onClose={() => setDialog(null)} />}
      {dialog === "head" && (
        <HeadForm
          doc={doc}
          sheet={sheet}
          onClose={() => setDialog(null)}
          onTake={(next) => {
            setDialog(null);
            put(next);
          }}
        />
      )}
      {dialog === "fix" && (
        <MendAll
          doc={doc}
          names={names}
          actions={actions}
          onClose={() => setDialog(null)}
          onTake={(next, taken) => {
            setDialog(null);
            put(next);
            setLit(null);
            setSaid({
              text: say(
                "procedures.workbench.done-remedies-undo-takes-all-of",
                "{0, plural, one {Done: # remedy. Undo takes it back.} other {Done: # remedies. Undo takes all of them back.}}",
                taken,
              ),
              stop: false,
            });
          }}
        />
      )}
      {dialog === "retire" && (
        <Retire
          row={saved.row}
          onClose={() => setDialog(null)}
          onRetired={(next) => {
            setDialog(null);
            draft.became(next);
            setSaid({
              text: say(
                "procedures.workbench.retired-no-round-is-started-from",
                "Retired. No round is started from it any more.",
              ),
              stop: false,
            });
          }}
        />
      )}
      {dialog === "approve" && (
        <Approve
          id={saved.row.id}
          version={saved.row.version}
          revision={draft.revision}
          fixes={verdict?.fixes ?? 0}
          onClose={() => setDialog(null)}
          onApproved={(next) => {
            setDialog(null);
            draft.became(next);
            setSaid({
              text: say(
                "procedures.workbench.approved-by-the-floor-works-from",
                "Approved by {0}. The floor works from it now.",
                next.row.approvedBy,
              ),
              stop: false,
            });
            navigate(`/procedures/${next.row.id}/${next.row.version}`, { replace: true });
          }}
        />
      )}
    </main>
  );
}

function where(pointer: string, steps: Step[]): string {
  const [, place, number, field] = pointer.split("/");
  if (place === "steps" && steps[Number(number)]) {
    return say("procedures.workbench.step-3", "Step {0}{1}: ", Number(number) + 1, field ? `, ${field}` : "");
  }
  return "";
}
