import { type KeyboardEvent, useEffect, useRef } from "react";

type Doing = { save: () => unknown; undo: () => unknown; redo: () => unknown; keys: () => unknown };

/** Keys that hold on the whole page; in a field undo is the field's own. */
export function useBenchKeys(doing: Doing) {
  const newest = useRef(doing);
  newest.current = doing;
  useEffect(() => {
    const onKey = (e: globalThis.KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select") !== null;
      const ctrl = e.ctrlKey || e.metaKey;
      const key = e.key.toLowerCase();
      const { save, undo, redo, keys } = newest.current;
      if (ctrl && key === "s") {
        e.preventDefault();
        save();
      } else if (ctrl && !typing && key === "z" && !e.shiftKey) {
        e.preventDefault();
        undo();
      } else if (ctrl && !typing && (key === "y" || (e.shiftKey && key === "z"))) {
        e.preventDefault();
        redo();
      } else if (!typing && e.key === "?") {
        keys();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

type AtRibbon = {
  walkTo: (by: number) => unknown;
  move: (by: number) => unknown;
  edit: () => unknown;
  insert: () => unknown;
  remove: () => unknown;
  only: () => unknown;
  walk: (by: number) => unknown;
};

/** Keys on a row of the ribbon. */
export function ribbonKeys(at: AtRibbon): (e: KeyboardEvent) => void {
  const keys: Record<string, (e: KeyboardEvent) => unknown> = {
    ArrowDown: (e) => (e.altKey ? at.move(1) : at.walkTo(1)),
    ArrowUp: (e) => (e.altKey ? at.move(-1) : at.walkTo(-1)),
    Enter: at.edit,
    n: at.insert,
    Delete: at.remove,
    p: at.only,
    f: () => at.walk(1),
    F: () => at.walk(-1),
  };
  return (e) => {
    const does = keys[e.key];
    if (does) {
      e.preventDefault();
      does(e);
    }
  };
}
