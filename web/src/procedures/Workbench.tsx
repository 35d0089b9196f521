import "./workbench.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import {
  type KeyboardEvent,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { ApiProblem, api, type FieldProblem, message, postNow, type Schemas, unwrap } from "../api/client";
import { type Command, useOffer } from "../app/commands";
import { Dialog } from "../app/Dialog";
import { begin, change, type History, redo, undo } from "../app/history";
import { PrintMenu } from "../app/PrintMenu";
import { useClock, useSession } from "../app/session";
import { Approve } from "./Approve";
import { Comments } from "./Comments";
import { Compare } from "./Compare";
import { applyEdits, type Doc, type Edit, freshId, type Step } from "./draft";
import { LineField } from "./LineField";
import { MendAll } from "./MendAll";
import { Retire } from "./Retire";
import { Legend, type Mark, Ribbon } from "./Ribbon";
import { StepEditor } from "./StepEditor";
import { VerdictPane } from "./VerdictPane";
import { WhatIf } from "./WhatIf";
import { namesOf } from "./words";

type Finding = Schemas["FindingDocument"];
type Verdict = Schemas["VerdictDocument"];
type Tab = "verdict" | "step" | "compare" | "what-if";
const NO_MARKS: Map<string, Mark> = new Map();

const KEYS: [string, string][] = [
  ["↑ ↓", "walk from step to step"],
  ["Enter", "edit the step"],
  ["n", "new step after this one"],
  ["Alt ↑ ↓", "move the step"],
  ["Delete", "delete the step"],
  ["Ctrl Z, Ctrl Y", "undo, redo"],
  ["f, Shift f", "next, previous finding"],
  ["p", "only what has a finding, all"],
  ["Ctrl S", "save"],
  [".", "go or do anything by name; insert a step"],
  ["drag", "move a step"],
  ["?", "this list"],
];

export default function Workbench() {
  const { id = "", version = "1" } = useParams();
  const view = useQuery({
    queryKey: ["procedure", id, version],
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
    queryKey: ["sheet", machine],
    enabled: machine !== undefined,
    queryFn: () => unwrap(api.GET("/api/machines/{code}", { params: { path: { code: machine ?? "" } } })),
  });
  const chemicals = useQuery({ queryKey: ["chemicals"], queryFn: () => unwrap(api.GET("/api/chemicals")) });
  const actions = useQuery({
    queryKey: ["actions"],
    queryFn: () => unwrap(api.GET("/api/actions")),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const failed = [view, sheet, chemicals, actions].find((q) => q.isError);
  if (failed) {
    return (
      <main className="page-state" role="alert">
        <h1>This procedure cannot be shown</h1>
        <p>{message(failed.error)}</p>
        <button className="btn" type="button" onClick={() => failed.refetch()}>
          Try again
        </button>
      </main>
    );
  }
  if (!view.data || !sheet.data || !chemicals.data || !actions.data) {
    return (
      <main className="page-state">
        <h1>Loading the procedure and its machine…</h1>
      </main>
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

type Running = { doc: Doc; configuration: number; controller: AbortController; promise: Promise<Verdict> };

function begun(doc: Doc, configuration: number, before: Running | null): Running {
  before?.controller.abort();
  const controller = new AbortController();
  const promise = postNow<Verdict>(`/api/verify?configuration=${configuration}`, doc, controller.signal);
  // Whoever waits hears of a failure; a run that was dropped has nobody waiting.
  promise.catch(() => undefined);
  return { doc, configuration, controller, promise };
}

/** Unsaved work of this browser, kept so that a reload loses nothing. */
const kept = (row: Schemas["ProcedureRow"]) => `draft:${row.id}@${row.version}`;

function Bench({ view, sheet, chemicals, actions }: BenchProps) {
  const session = useSession();
  const clock = useClock();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [params, setParams] = useSearchParams();
  const [saved, setSaved] = useState(view);
  const editable = session.data?.role === "SUPERVISOR" && saved.row.state === "DRAFT";

  const [restored, setRestored] = useState(false);
  const [history, setHistory] = useState<History<Doc>>(() => {
    if (
      view.row.state === "DRAFT" &&
      view.document.sheetVersion !== sheet.version &&
      !localStorage.getItem(kept(view.row))
    ) {
      // Judged against the newest sheet, so it says so; saving takes that over.
      return change(begin(view.document), { ...view.document, sheetVersion: sheet.version });
    }
    const stored = localStorage.getItem(kept(view.row));
    if (stored && view.row.state === "DRAFT") {
      const k = JSON.parse(stored) as { revision: number; document: Doc };
      return change(begin(view.document), k.document);
    }
    return begin(view.document);
  });
  const doc = history.now;
  const dirty = useMemo(() => JSON.stringify(doc) !== JSON.stringify(saved.document), [doc, saved]);
  const [revision, setRevision] = useState(() => {
    const stored = localStorage.getItem(kept(view.row));
    return stored ? (JSON.parse(stored) as { revision: number }).revision : view.revision;
  });
  useEffect(() => {
    setRestored(localStorage.getItem(kept(view.row)) !== null);
  }, [view.row]);
  useEffect(() => {
    if (dirty) {
      localStorage.setItem(kept(saved.row), JSON.stringify({ revision, document: doc }));
    } else {
      localStorage.removeItem(kept(saved.row));
    }
  }, [dirty, doc, revision, saved.row]);

  const configuration = Number(params.get("fitted") ?? 0) || 0;
  const troubled = params.get("only") === "findings";
  const [verdict, setVerdict] = useState<Verdict | null>(null);
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const running = useRef<Running | null>(null);
  /** The state that the verdict on the screen speaks of. */
  const judged = useRef<Doc | null>(null);
  useLayoutEffect(() => {
    // Every change runs at once; an older run that is still on its way is dropped, the latest wins.
    const now = running.current;
    const mine =
      now?.doc === doc && now.configuration === configuration ? now : begun(doc, configuration, now);
    running.current = mine;
    mine.promise
      .then((v) => {
        if (running.current === mine) {
          setVerdict(v);
          judged.current = mine.doc;
          setProblems([]);
          setTrouble(null);
        }
      })
      .catch((e) => {
        if (running.current !== mine) {
          return;
        }
        if (e instanceof ApiProblem && e.fields.length) {
          setProblems(e.fields);
          setTrouble(null);
        } else {
          setTrouble(message(e));
        }
      });
  }, [doc, configuration]);

  const names = useMemo(() => namesOf(sheet, chemicals), [sheet, chemicals]);
  const label = useCallback(
    (action: string) => actions.find((a) => a.name === action)?.label ?? action,
    [actions],
  );
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
  const [dialog, setDialog] = useState<"keys" | "approve" | "mend" | "retire" | null>(null);
  const [said, setSaid] = useState<{ text: string; stop: boolean } | null>(null);

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

  const put = useCallback(
    (next: Doc, field: string | null = null) => {
      if (editable) {
        // Sent before it is drawn: the answer is on its way while the letters appear.
        running.current = begun(next, configuration, running.current);
        setHistory((h) => change(h, next, field));
        setSaid(null);
      }
    },
    [editable, configuration],
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
    const roots = verdict?.findings.filter((f) => f.under === undefined || f.under === null) ?? [];
    if (roots.length > 0) {
      const now = lit ? roots.findIndex((f) => f.rule === lit.rule && f.stepId === lit.stepId) : -1;
      show(roots[(now + by + roots.length) % roots.length]);
    }
  }

  function apply(edits: Edit[], what: string) {
    if (judged.current !== doc) {
      // A second click on the same remedy: it was offered for the state before the first.
      setSaid({ text: "This is being judged anew; the remedies for it come with the verdict.", stop: false });
      return;
    }
    const next = applyEdits(doc, edits);
    put(next);
    setLit(null);
    setSaid({ text: `Done: ${what}. Undo takes it back.`, stop: false });
    const first = edits.find((e) => e.step)?.step?.id;
    if (first) {
      go({ step: first });
    }
  }

  const save = useCallback(async () => {
    try {
      const next = await unwrap(
        api.PUT("/api/procedures/{id}/versions/{version}", {
          params: {
            path: { id: saved.row.id, version: saved.row.version },
            header: { "If-Match": `"${revision}"` },
          },
          body: doc,
        }),
      );
      setSaved({ ...next, document: doc });
      setRevision(next.revision);
      setRestored(false);
      setSaid({ text: "Saved.", stop: false });
      queries.invalidateQueries({ queryKey: ["procedures"] });
      queries.setQueryData(["procedure", saved.row.id, String(saved.row.version)], next);
    } catch (e) {
      setSaid({ text: message(e), stop: true });
    }
  }, [doc, queries, revision, saved]);

  async function theirs() {
    const next = await unwrap(
      api.GET("/api/procedures/{id}/versions/{version}", {
        params: { path: { id: saved.row.id, version: saved.row.version } },
      }),
    );
    // Mine goes one step back, so that undo brings it again.
    setHistory((h) => change(h, next.document));
    setSaved(next);
    setRevision(next.revision);
    setSaid({
      text: "This is the newer state. Undo brings yours back, to save over it knowingly.",
      stop: false,
    });
  }

  useEffect(() => {
    const onKey = (e: globalThis.KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select") !== null;
      const ctrl = e.ctrlKey || e.metaKey;
      if (ctrl && e.key.toLowerCase() === "s") {
        e.preventDefault();
        if (editable) {
          void save();
        }
      } else if (ctrl && !typing && e.key.toLowerCase() === "z" && !e.shiftKey) {
        e.preventDefault();
        setHistory(undo);
      } else if (
        ctrl &&
        !typing &&
        (e.key.toLowerCase() === "y" || (e.shiftKey && e.key.toLowerCase() === "z"))
      ) {
        e.preventDefault();
        setHistory(redo);
      } else if (!typing && e.key === "?") {
        setDialog("keys");
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [editable, save]);

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

  function offered(): Command[] {
    const show: Command[] = (["verdict", "compare", "what-if"] as const).map((tab) => ({
      id: `show-${tab}`,
      name: `Show: ${tab.replace("-", " ")}`,
      group: "Workbench",
      run: () => go({ show: tab }),
    }));
    if (!editable) {
      return show;
    }
    const does = (id: string, name: string, run: () => void) => ({ id, name, group: "Workbench", run });
    return [
      does("save", "Save", () => void save()),
      does("undo", "Undo", () => setHistory(undo)),
      does("redo", "Redo", () => setHistory(redo)),
      ...show,
      ...actions.map((a) => ({
        id: `insert-${a.name}`,
        name: `Insert: ${a.label}`,
        group: "Insert after this step",
        run: () => insertAfter(index < 0 ? doc.steps.length - 1 : index, { action: a.name } as Step, true),
      })),
    ];
  }
  const offer = useRef(offered);
  offer.current = offered;
  const [commands, setCommands] = useState<Command[]>([]);
  // Names stay the same while a word is typed; what they do is looked up when they are done.
  useEffect(() => {
    const names = offer.current();
    setCommands(
      names.map((c) => ({
        ...c,
        run: () =>
          offer
            .current()
            .find((now) => now.id === c.id)
            ?.run(),
      })),
    );
  }, [editable, actions]);
  useOffer(commands);

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

  const stops = verdict?.stops ?? 0;
  const paper = `/api/prints/procedures/${saved.row.id}/${saved.row.version}`;
  const unjudged = problems.length > 0 || trouble !== null || verdict === null;
  const approveText = stops > 0 ? `Approve (${stops} ${stops === 1 ? "stop" : "stops"} left)` : "Approve…";
  const stateWords =
    saved.row.state === "DRAFT"
      ? `draft ${saved.row.version}`
      : `version ${saved.row.version}, ${saved.row.state.toLowerCase()}`;

  return (
    <main className="bench">
      <div className="bench-head">
        <h1>{doc.title}</h1>
        <p className="quiet">
          {sheet.code}, {stateWords}, from sheet {doc.sheetVersion}: {sheet.configuration}
        </p>
        <span className="grow" />
        <PrintMenu
          languages
          prints={[
            ["Step cards, one a page", `${paper}/cards.pdf`],
            ["Wall sheet", `${paper}/wall.pdf`],
            ["Whole procedure with verdict and approval", `${paper}/whole.pdf`],
            ["Lockout sheet of the machine", `/api/prints/machines/${sheet.code}/lockout.pdf`],
            ["Brush chart of the machine", `/api/prints/machines/${sheet.code}/brushes.pdf`],
          ]}
        />
        {editable ? (
          <>
            <button
              className="btn"
              type="button"
              onClick={() => setHistory(undo)}
              disabled={history.past.length === 0}
            >
              Undo
            </button>
            <button
              className="btn"
              type="button"
              onClick={() => setHistory(redo)}
              disabled={history.future.length === 0}
            >
              Redo
            </button>
            <button className="btn" type="button" onClick={save} disabled={!dirty}>
              {dirty ? "Save" : "Saved"}
            </button>
            <button
              className="btn main"
              type="button"
              disabled={stops > 0 || unjudged || dirty}
              onClick={() => setDialog("approve")}
              title={dirty ? "Save first" : undefined}
            >
              {approveText}
            </button>
          </>
        ) : (
          <>
            {session.data?.role === "SUPERVISOR" && saved.row.state === "APPROVED" && (
              <button className="btn" type="button" onClick={() => setDialog("retire")}>
                Retire…
              </button>
            )}
            <p className="quiet">
              {saved.row.approvedBy &&
                `approved by ${saved.row.approvedBy}, ${clock.day(saved.row.approvedAt ?? 0)} ${clock.time(saved.row.approvedAt ?? 0)}`}
            </p>
          </>
        )}
      </div>
      {(said || restored) && (
        <p
          className={`note ${said?.stop ? "stop" : "done"} bench-said`}
          role={said?.stop ? "alert" : "status"}
        >
          {said?.text ?? "Unsaved changes from this browser were put back."}
          {said?.stop && said.text.includes("newer state") && (
            <button className="btn small" type="button" onClick={theirs}>
              Look at theirs
            </button>
          )}
        </p>
      )}
      <div className="bench-body">
        <section className="bench-left" aria-label="Steps and ribbon">
          <div className="step-tools" role="toolbar" aria-label="Step">
            {editable && (
              <>
                <button
                  className="btn small"
                  type="button"
                  onClick={() => insertAfter(index < 0 ? doc.steps.length - 1 : index)}
                >
                  Add a step
                </button>
                <button
                  className="btn small"
                  type="button"
                  disabled={index < 1}
                  onClick={() => move(index, -1)}
                >
                  Up
                </button>
                <button
                  className="btn small"
                  type="button"
                  disabled={index < 0 || index >= doc.steps.length - 1}
                  onClick={() => move(index, 1)}
                >
                  Down
                </button>
                <button
                  className="btn small"
                  type="button"
                  disabled={index < 0}
                  onClick={() => remove(index)}
                >
                  Delete
                </button>
              </>
            )}
            <label className="only">
              <input
                type="checkbox"
                checked={troubled}
                disabled={!troubled && (verdict?.findings.length ?? 0) === 0}
                onChange={() => go({ only: troubled ? null : "findings" })}
              />
              Only what has a finding
            </label>
          </div>
          {doc.steps.length === 0 ? (
            <p className="page-state">
              No step yet. “Add a step” begins; each one runs through the machine at once.
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
              findings={verdict?.findings ?? []}
              lit={lit}
              troubled={troubled && (verdict?.findings.length ?? 0) > 0}
              names={names}
              label={label}
              marks={tab === "compare" ? marks : NO_MARKS}
              onMove={editable ? onMove : undefined}
            />
          )}
          {editable && (
            <LineField
              machine={sheet.code}
              step={null}
              label={index < 0 ? "Type the next step" : `Type a step after step ${index + 1}`}
              onStep={(typed) => insertAfter(index < 0 ? doc.steps.length - 1 : index, typed)}
            />
          )}
          <Legend />
        </section>
        <aside className="bench-right" aria-label="Verdict and step">
          <div className="tabs" role="tablist">
            <button
              type="button"
              role="tab"
              aria-selected={tab === "verdict"}
              onClick={() => go({ show: "verdict" })}
            >
              Verdict{verdict ? ` ${verdict.stops} + ${verdict.fixes}` : ""}
            </button>
            <button
              type="button"
              role="tab"
              aria-selected={tab === "step"}
              disabled={!step}
              onClick={() => go({ show: "step" })}
            >
              {step ? `Step ${index + 1}` : "Step"}
            </button>
            <button
              type="button"
              role="tab"
              aria-selected={tab === "compare"}
              onClick={() => go({ show: "compare" })}
            >
              Compare
            </button>
            <button
              type="button"
              role="tab"
              aria-selected={tab === "what-if"}
              onClick={() => go({ show: "what-if" })}
            >
              What if
            </button>
          </div>
          {trouble && (
            <p className="note stop" role="alert">
              {trouble} The verdict below may be older than what you see.
            </p>
          )}
          {problems.length > 0 && (
            <div className="note stop" role="alert">
              <strong>Not judged until this is mended:</strong>
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
                number={index + 1}
                actions={actions}
                sheet={sheet}
                chemicals={chemicals}
                readOnly={!editable}
                problems={problems.filter((x) => x.pointer.startsWith(`/steps/${index}/`))}
                onChange={(next: Step, field) => {
                  const steps = [...doc.steps];
                  steps[index] = next;
                  put({ ...doc, steps }, field);
                }}
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
                setSaid({ text: `Done: ${said}. Undo takes it back.`, stop: false });
                go({ show: "verdict" });
              }}
            />
          ) : verdict ? (
            <VerdictPane
              verdict={verdict}
              steps={doc.steps}
              names={names}
              label={label}
              lit={lit}
              onShow={show}
              onApply={apply}
              onMendAll={() => setDialog("mend")}
              configuration={configuration}
              onConfiguration={(i) => go({ fitted: i === 0 ? null : String(i) })}
              editable={editable && problems.length === 0}
            />
          ) : (
            <p className="page-state">Running it through the machine…</p>
          )}
        </aside>
      </div>
      {dialog === "keys" && (
        <Dialog title="Keys" onClose={() => setDialog(null)}>
          <dl className="keys">
            {KEYS.map(([k, what]) => (
              <div key={k}>
                <dt>{k}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <button className="btn" type="button" onClick={() => setDialog(null)}>
            Close
          </button>
        </Dialog>
      )}
      {dialog === "mend" && (
        <MendAll
          doc={doc}
          names={names}
          label={label}
          onClose={() => setDialog(null)}
          onTake={(next, taken) => {
            setDialog(null);
            put(next);
            setLit(null);
            setSaid({ text: `Done: ${taken} remedies. Undo takes all of them back.`, stop: false });
          }}
        />
      )}
      {dialog === "retire" && (
        <Retire
          row={saved.row}
          onClose={() => setDialog(null)}
          onRetired={(next) => {
            setDialog(null);
            setSaved(next);
            setSaid({ text: "Retired. No round is started from it any more.", stop: false });
            queries.invalidateQueries({ queryKey: ["procedures"] });
            queries.setQueryData(["procedure", next.row.id, String(next.row.version)], next);
          }}
        />
      )}
      {dialog === "approve" && (
        <Approve
          id={saved.row.id}
          version={saved.row.version}
          revision={revision}
          fixes={verdict?.fixes ?? 0}
          onClose={() => setDialog(null)}
          onApproved={(next) => {
            setDialog(null);
            setSaved(next);
            setSaid({
              text: `Approved by ${next.row.approvedBy}. The floor works from it now.`,
              stop: false,
            });
            queries.invalidateQueries({ queryKey: ["procedures"] });
            queries.setQueryData(["procedure", next.row.id, String(next.row.version)], next);
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
    return `Step ${Number(number) + 1}${field ? `, ${field}` : ""}: `;
  }
  return "";
}
