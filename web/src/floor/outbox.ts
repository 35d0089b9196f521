import { ApiProblem, api, type Schemas, unwrap } from "../api/client";

export type Sent = Schemas["SentEntry"];
export type State = Schemas["RoundState"];
export type EntryValue = Schemas["EntryValue"];

/*
 * Entries are written down on this device before they are sent, and crossed off when the server has
 * them. The id is made here, so sending twice enters once. A PIN is never written down.
 */

const key = (round: string) => `outbox:${round}`;

export function waiting(round: string): Sent[] {
  try {
    return JSON.parse(localStorage.getItem(key(round)) ?? "[]") as Sent[];
  } catch {
    return [];
  }
}

function store(round: string, entries: Sent[]) {
  if (entries.length === 0) {
    localStorage.removeItem(key(round));
  } else {
    localStorage.setItem(key(round), JSON.stringify(entries));
  }
}

export function note(round: string, entry: Sent) {
  store(round, [...waiting(round), entry]);
}

function crossOff(round: string, id: string) {
  store(
    round,
    waiting(round).filter((e) => e.id !== id),
  );
}

/** This device's name in the log; made once. */
export function device(): string {
  let id = localStorage.getItem("device");
  if (!id) {
    id = `tablet-${crypto.randomUUID().slice(0, 8)}`;
    localStorage.setItem("device", id);
  }
  return id;
}

export function entry(packHash: string, step: string, kind: string, figures: EntryValue[]): Sent {
  return {
    id: crypto.randomUUID(),
    packHash,
    step,
    kind,
    figures,
    device: device(),
    tabletTime: Date.now(),
  };
}

export async function send(round: string, sent: Sent): Promise<State> {
  return unwrap(api.POST("/api/rounds/{id}/entries", { params: { path: { id: round } }, body: sent }));
}

/** The entry itself was not taken. A lost session or a server in trouble says nothing about the entry. */
export function refused(problem: unknown): boolean {
  return problem instanceof ApiProblem && [400, 409, 422].includes(problem.status);
}

let turn: Promise<unknown> = Promise.resolve();

/**
 * Sends what is waiting, in order, one at a time, and stops at the first trouble. What the server
 * refuses is crossed off, and its words are thrown; everything else stays and is sent again.
 */
export function flush(round: string): Promise<State | null> {
  const mine = turn.then(async () => {
    let state: State | null = null;
    for (const e of waiting(round)) {
      try {
        state = await send(round, e);
        crossOff(round, e.id);
      } catch (problem) {
        if (refused(problem)) {
          crossOff(round, e.id);
        }
        throw problem;
      }
    }
    return state;
  });
  turn = mine.catch(() => undefined);
  return mine;
}
