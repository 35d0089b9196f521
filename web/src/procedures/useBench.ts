import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { ApiProblem, api, message, type Schemas, unwrap } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { type Act, type Bench, firstHistory, opened, reduce } from "./bench";

type View = Schemas["ProcedureView"];

/** Unsaved work of this browser, kept so that a reload loses nothing. */
const kept = (row: Schemas["ProcedureRow"]) => `draft:${row.id}@${row.version}`;

function storedWork(row: Schemas["ProcedureRow"]): { revision: number; document: Doc } | null {
  const stored = localStorage.getItem(kept(row));
  return stored && row.state === "DRAFT" ? JSON.parse(stored) : null;
}

function first(view: View, sheetVersion: number): Bench {
  const stored = storedWork(view.row);
  const history = firstHistory(view, sheetVersion, stored?.document ?? null);
  return opened(history, view, stored?.revision ?? view.revision, stored !== null);
}

/** The revision that was changed is no longer the last: somebody else has saved meanwhile. */
const OVERTAKEN = 412;

/**
 * A procedure under work, with the server and this browser's storage behind it. What is not saved is kept
 * in this browser.
 */
export function useBench(view: View, sheetVersion: number) {
  const queries = useQueryClient();
  const [bench, setBench] = useState(() => first(view, sheetVersion));
  const newest = useRef(bench);
  const doc = bench.history.now;
  const { saved, revision } = bench;
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

  /** Does it at once and gives what it became, so that it can be sent before it is drawn. */
  const act = useCallback((a: Act): Bench => {
    newest.current = reduce(newest.current, a);
    setBench(newest.current);
    return newest.current;
  }, []);

  const learn = useCallback(
    (next: View) => {
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
      learn(next);
      act({ kind: "saved", view: next, doc, said: say("procedures.use-draft.saved", "Saved.") });
    } catch (e) {
      const overtaken = e instanceof ApiProblem && e.status === OVERTAKEN;
      act({ kind: "say", said: { text: message(e), stop: true, overtaken } });
    }
  }

  /** What somebody else has saved meanwhile. */
  async function theirs() {
    act({
      kind: "theirs",
      view: await unwrap(api.GET("/api/procedures/{id}/versions/{version}", { params: { path } })),
      said: say(
        "procedures.use-draft.this-is-the-newer-state-undo",
        "This is the newer state. Undo brings yours back, to save over it knowingly.",
      ),
    });
  }

  /** Takes over what the server made of it: approved, retired. */
  function became(next: View, said: string) {
    learn(next);
    act({ kind: "became", view: next, said });
  }

  return { bench, doc, dirty, act, save, theirs, became };
}

export type OnBench = ReturnType<typeof useBench>;
