import type { Schemas } from "../api/client";
import { applyEdits, type Doc, type Edit, type Step } from "../ribbon/draft";
import { begin, change, type History, redo, undo } from "../shared/history";

type View = Schemas["ProcedureView"];
type Finding = Schemas["FindingDocument"];

/** What the workbench answers to what was done last. */
export type Said = { text: string; stop: boolean; overtaken?: boolean };

/** What lies over the workbench; one at a time. */
export type Over = "keys" | "head" | "approve" | "fix" | "retire";

/**
 * A procedure on the workbench: what is written now with what was before it, what the server has, and
 * what is shown of it. Which step is chosen stands in the address.
 */
export type Bench = {
  history: History<Doc>;
  saved: View;
  /** Of the server's state that was changed here. */
  revision: number;
  /** Work of an earlier visit that was put back. */
  restored: boolean;
  said: Said | null;
  /** The finding whose story is lit in the ribbon. */
  lit: Finding | null;
  /** Phases of which the steps are not shown. */
  folded: ReadonlySet<string>;
  over: Over | null;
};

/** Everything that happens on it. What changes the document can be undone. */
export type Act =
  | { kind: "write"; doc: Doc; field?: string | null; said?: string }
  | { kind: "change-step"; step: Step; field: string }
  | { kind: "insert"; after: number; step: Step }
  | { kind: "move"; step: string; by: number }
  | { kind: "carry"; step: string; onto: string }
  | { kind: "remove"; step: string }
  | { kind: "fix"; edits: Edit[]; said: string }
  | { kind: "undo" }
  | { kind: "redo" }
  | { kind: "saved"; view: View; doc: Doc; said: string }
  | { kind: "theirs"; view: View; said: string }
  | { kind: "became"; view: View; said: string }
  | { kind: "say"; said: Said }
  | { kind: "light"; finding: Finding }
  | { kind: "fold"; phase: string }
  | { kind: "lay"; over: Over | null };

export function opened(history: History<Doc>, saved: View, revision: number, restored: boolean): Bench {
  return { history, saved, revision, restored, said: null, lit: null, folded: new Set(), over: null };
}

/** As it is read: a draft is judged against the newest sheet, and work that was not saved is put back. */
export function firstHistory(view: View, sheetVersion: number, unsaved: Doc | null): History<Doc> {
  const first = begin(view.document);
  if (unsaved) {
    return change(first, unsaved);
  }
  if (view.row.state === "DRAFT" && view.document.sheetVersion !== sheetVersion) {
    return change(first, { ...view.document, sheetVersion });
  }
  return first;
}

/** The workbench after something was done; the same one where it changes nothing. */
export function reduce(b: Bench, a: Act): Bench {
  const doc = b.history.now;
  switch (a.kind) {
    case "write":
      return { ...written(b, a.doc, a.field), said: a.said ? done(a.said) : null };
    case "change-step":
      return steps(b, (all) => all.map((s) => (s.id === a.step.id ? a.step : s)), a.field);
    case "insert":
      return steps(b, (all) => [...all.slice(0, a.after + 1), a.step, ...all.slice(a.after + 1)]);
    case "move": {
      const from = place(doc, a.step);
      const to = from + a.by;
      return from < 0 || to < 0 || to >= doc.steps.length ? b : steps(b, (all) => moved(all, from, to));
    }
    case "carry": {
      const [from, onto] = [place(doc, a.step), place(doc, a.onto)];
      return from < 0 || onto < 0 || from === onto ? b : steps(b, (all) => moved(all, from, onto));
    }
    case "remove":
      return place(doc, a.step) < 0 ? b : steps(b, (all) => all.filter((s) => s.id !== a.step));
    case "fix":
      return { ...written(b, applyEdits(doc, a.edits)), lit: null, said: done(a.said) };
    case "undo":
      return { ...b, history: undo(b.history) };
    case "redo":
      return { ...b, history: redo(b.history) };
    case "saved":
      // The server may write it otherwise; what was written here is what it has now.
      return {
        ...b,
        saved: { ...a.view, document: a.doc },
        revision: a.view.revision,
        restored: false,
        said: done(a.said),
      };
    case "theirs":
      // Mine goes one step back, so that undo brings it again.
      return {
        ...written(b, a.view.document),
        saved: a.view,
        revision: a.view.revision,
        said: done(a.said),
      };
    case "became":
      return { ...b, saved: a.view, over: null, said: done(a.said) };
    case "say":
      return { ...b, said: a.said };
    case "light":
      return { ...b, lit: a.finding, folded: new Set() };
    case "fold": {
      const folded = new Set(b.folded);
      if (!folded.delete(a.phase)) {
        folded.add(a.phase);
      }
      return { ...b, folded };
    }
    case "lay":
      return { ...b, over: a.over };
  }
}

const done = (text: string): Said => ({ text, stop: false });

const place = (doc: Doc, id: string) => doc.steps.findIndex((s) => s.id === id);

function written(b: Bench, doc: Doc, field: string | null = null): Bench {
  return { ...b, history: change(b.history, doc, field), said: null };
}

function steps(b: Bench, next: (all: Step[]) => Step[], field: string | null = null): Bench {
  const doc = b.history.now;
  return written(b, { ...doc, steps: next(doc.steps) }, field);
}

function moved(all: Step[], from: number, to: number): Step[] {
  const rest = all.filter((_, i) => i !== from);
  return [...rest.slice(0, to), all[from], ...rest.slice(to)];
}
