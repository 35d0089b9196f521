import type { Waiting } from "../shared/kept";
import type { RoundState } from "./outbox";

/**
 * What this tablet knows of a round: what the server said last, and what is waiting here, in order. Each
 * change makes a new one, so two taps in one moment build on each other.
 */
export type Known = {
  server: RoundState;
  /** Server's clock less this tablet's, in milliseconds. */
  skew: number;
  queue: Waiting[];
  /** Ids that the server has; a late look into the store brings none of them back. */
  gone: ReadonlySet<string>;
  /** Ids that are in this device's store. */
  noted: ReadonlySet<string>;
};

export function knownAtFirst(server: RoundState, now: number): Known {
  return { server, skew: server.now - now, queue: [], gone: new Set(), noted: new Set() };
}

/** An answer that left before the last one and came after it would take steps back: it changes nothing. */
export function answered(k: Known, next: RoundState, now: number): Known {
  return next.entries < k.server.entries ? k : { ...k, server: next, skew: next.now - now };
}

export function written(k: Known, w: Waiting): Known {
  return { ...k, queue: [...k.queue, w] };
}

/** The store has this entry, so another tab may send it as well. */
export function noted(k: Known, id: string): Known {
  return { ...k, noted: new Set([...k.noted, id]) };
}

export function crossedOff(k: Known, ids: string[]): Known {
  return {
    ...k,
    queue: k.queue.filter((w) => !ids.includes(w.sent.id)),
    gone: new Set([...k.gone, ...ids]),
  };
}

/** What the store held when the round was opened goes before what has been written since. */
export function restored(k: Known, stored: Waiting[]): Known {
  const ids = new Set(stored.map((w) => w.sent.id));
  return {
    ...k,
    queue: [...stored.filter((w) => !k.gone.has(w.sent.id)), ...k.queue.filter((w) => !ids.has(w.sent.id))],
    noted: new Set([...k.noted, ...ids]),
  };
}

/**
 * Crosses off what was in the store and is there no more: another tab of this device has sent it.
 *
 * @param before what was noted when the store was asked; what was written while it answered is not missing
 */
export function sentElsewhere(k: Known, before: ReadonlySet<string>, still: Waiting[]): Known {
  const ids = new Set(still.map((w) => w.sent.id));
  return crossedOff(
    k,
    k.queue.map((w) => w.sent.id).filter((id) => before.has(id) && !ids.has(id)),
  );
}
