import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { begin, change, type History, redo, undo } from "../shared/history";
import { keys } from "../shared/keys";
import { say } from "../shared/say";

type View = Schemas["ProcedureView"];
type Said = { text: string; stop: boolean; overtaken?: boolean };

/** Unsaved work of this browser, kept so that a reload loses nothing. */
const kept = (row: Schemas["ProcedureRow"]) => `draft:${row.id}@${row.version}`;

function storedWork(row: Schemas["ProcedureRow"]): { revision: number; document: Doc } | null {
  const stored = localStorage.getItem(kept(row));
  return stored && row.state === "DRAFT" ? JSON.parse(stored) : null;
}

function firstHistory(view: View, sheetVersion: number): History<Doc> {
  const first = begin(view.document);
  const stored = storedWork(view.row);
  if (stored) {
    return change(first, stored.document);
  }
  if (view.row.state === "DRAFT" && view.document.sheetVersion !== sheetVersion) {
    // Judged against the newest sheet, so it says so; saving takes that over.
    return change(first, { ...view.document, sheetVersion });
  }
  return first;
}

/** The revision that was changed is no longer the last: somebody else has saved meanwhile. */
const OVERTAKEN = 412;

/**
 * A procedure under work: what is written now, what was before it, and what the server has. What is not
 * saved is kept in this browser.
 */
export function useDraft(view: View, sheetVersion: number, tell: (said: Said | null) => void) {
  const queries = useQueryClient();
  const [saved, setSaved] = useState(view);
  const [history, setHistory] = useState(() => firstHistory(view, sheetVersion));
  const [revision, setRevision] = useState(() => storedWork(view.row)?.revision ?? view.revision);
  const [restored, setRestored] = useState(() => storedWork(view.row) !== null);
  const doc = history.now;
  const written = useMemo(() => JSON.stringify(doc), [doc]);
  const server = useMemo(() => JSON.stringify(saved.document), [saved]);
  const dirty = written !== server;

  useEffect(() => {
    if (dirty) {
      localStorage.setItem(kept(saved.row), `{"revision":${revision},"document":${written}}`);
    } else {
      localStorage.removeItem(kept(saved.row));
    }
  }, [dirty, written, revision, saved.row]);

  /** Takes over what the server made of it: approved, retired. */
  const became = useCallback(
    (next: View) => {
      setSaved(next);
      queries.invalidateQueries({ queryKey: keys.procedures() });
      queries.setQueryData(keys.procedure(next.row.id, String(next.row.version)), next);
    },
    [queries],
  );

  const path = { id: saved.row.id, version: saved.row.version };

  async function save() {
    try {
      const next = await unwrap(
        api.PUT("/api/procedures/{id}/versions/{version}", {
          params: { path, header: { "If-Match": `"${revision}"` } },
          body: doc,
        }),
      );
      became(next);
      setSaved({ ...next, document: doc });
      setRevision(next.revision);
      setRestored(false);
      tell({ text: say("procedures.use-draft.saved", "Saved."), stop: false });
    } catch (e) {
      tell({ text: message(e), stop: true, overtaken: e instanceof ApiProblem && e.status === OVERTAKEN });
    }
  }

  /** What somebody else has saved meanwhile. */
  async function theirs() {
    const next = await unwrap(api.GET("/api/procedures/{id}/versions/{version}", { params: { path } }));
    // Mine goes one step back, so that undo brings it again.
    setHistory((h) => change(h, next.document));
    setSaved(next);
    setRevision(next.revision);
    tell({
      text: say(
        "procedures.use-draft.this-is-the-newer-state-undo",
        "This is the newer state. Undo brings yours back, to save over it knowingly.",
      ),
      stop: false,
    });
  }

  return {
    doc,
    saved,
    revision,
    dirty,
    restored,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    change: useCallback((next: Doc, field: string | null) => setHistory((h) => change(h, next, field)), []),
    undo: useCallback(() => setHistory(undo), []),
    redo: useCallback(() => setHistory(redo), []),
    save,
    theirs,
    became,
  };
}

export type Draft = ReturnType<typeof useDraft>;
