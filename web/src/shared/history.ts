/** A document with its past and future. Typing on in one field is one step back. */
export type History<T> = { now: T; past: T[]; future: T[]; field: string | null };

export const begin = <T>(now: T): History<T> => ({ now, past: [], future: [], field: null });

export function change<T>(h: History<T>, next: T, field: string | null = null): History<T> {
  const same = field !== null && field === h.field;
  return { now: next, past: same ? h.past : [...h.past, h.now].slice(-200), future: [], field };
}

export function undo<T>(h: History<T>): History<T> {
  const last = h.past.at(-1);
  return last === undefined
    ? h
    : { now: last, past: h.past.slice(0, -1), future: [h.now, ...h.future], field: null };
}

export function redo<T>(h: History<T>): History<T> {
  const [next, ...rest] = h.future;
  return next === undefined ? h : { now: next, past: [...h.past, h.now], future: rest, field: null };
}
