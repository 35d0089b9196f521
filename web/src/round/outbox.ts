import { ApiProblem, api, type CoreText, Offline, type Schemas, unwrap } from "../api/client";
import { db, type Waiting } from "../shared/kept";
import { siteAhead } from "../shared/siteNow";
import type { EntryValue, Made } from "./core";

/** An entry as this page sends it: whole. The server answers for one that lacks something as well. */
export type Sent = Schemas["SentEntry"] &
  Made & { id: string; packHash: string; device: string; tabletTime: number };
export type RoundState = Schemas["RoundState"];
export type SiteView = Schemas["View"];
export type { EntryValue };

/*
 * Entries are written down on this device before they are sent, and crossed off when the server has
 * them. The id is made here, so sending twice enters once. A PIN is never written down. Each entry keeps
 * who made it: another person who signs in on this tablet does not send it as theirs.
 */

const AT_ONCE = 500;

/** The wall clock as it was when the page opened, carried on evenly: a clock that is set meanwhile changes no duration. */
const opened = Date.now() - performance.now();
export function tabletNow(): number {
  return Math.round(opened + performance.now() + siteAhead());
}

export async function waiting(round: string): Promise<Waiting[]> {
  return (await db()).getAllFromIndex("entries", "round", round);
}

export async function note(kept: Waiting): Promise<void> {
  await (await db()).add("entries", kept);
}

/** A new id; `randomUUID` is missing where the page did not come over a secure connection. */
function newId(): string {
  if (crypto.randomUUID) {
    return crypto.randomUUID();
  }
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((b) => b.toString(16).padStart(2, "0")).join("");
}

/** In place of a device, for what was written on paper first. */
const PAPER = "paper";

/** This device's name in the log; made once. */
export function device(): string {
  let id = localStorage.getItem("device");
  if (!id) {
    id = `tablet-${newId().slice(0, 8)}`;
    localStorage.setItem("device", id);
  }
  return id;
}

/**
 * @param onPaper when it was written on paper, by this device's clock; null for what happens now
 */
export function asSent(packHash: string, made: Made, onPaper: number | null = null): Sent {
  return {
    id: newId(),
    packHash,
    ...made,
    device: onPaper === null ? device() : PAPER,
    tabletTime: onPaper ?? tabletNow(),
  };
}

/** Sends one entry that has to be signed; that takes a connection. */
export async function send(round: string, sent: Sent): Promise<RoundState> {
  return unwrap(api.POST("/api/rounds/{id}/entries", { params: { path: { id: round } }, body: sent }));
}

/** What became of entries that were sent: they are off the list, the state counts them, and the server says this. */
export type Crossed<S> = (ids: string[], state: S, told: CoreText[]) => void;

type Queue = Schemas["Queue"];
type Delivered<S> = { fates: Schemas["Taken"][]; state: S };

/** In place of a round, for entries that belong to none. */
export const SITE = "site";

let turn: Promise<unknown> = Promise.resolve();

/**
 * Sends what this person has waiting, in order, and crosses off what the server has. Without signal, or
 * signed out, or with the server in trouble, everything stays and is sent again.
 */
export function flush(round: string, who: string, crossed: Crossed<RoundState>): Promise<void> {
  const path = { id: round };
  return inTurn(() =>
    flushNow(
      round,
      who,
      (body) => unwrap(api.POST("/api/rounds/{id}/queue", { params: { path }, body })),
      crossed,
    ),
  );
}

/** The same for what was entered for the site. */
export function flushSite(who: string, crossed: Crossed<SiteView>): Promise<void> {
  return inTurn(() =>
    flushNow(SITE, who, (body) => unwrap(api.POST("/api/stream/queue", { body })), crossed),
  );
}

/** One after the other, so that nothing is sent twice and nothing overtakes. */
function inTurn(send: () => Promise<void>): Promise<void> {
  const mine = turn.then(send);
  turn = mine.catch(() => undefined);
  return mine;
}

async function flushNow<S>(
  stream: string,
  who: string,
  deliver: (body: Queue) => Promise<Delivered<S>>,
  crossed: Crossed<S>,
) {
  for (;;) {
    const own = (await waiting(stream)).filter((w) => w.who === who).slice(0, AT_ONCE);
    if (own.length === 0) {
      return;
    }
    await sendPhotos(own);
    const answer = await deliver({ entries: own.map((w) => w.sent), sentAt: tabletNow() });
    const done = (await db()).transaction("entries", "readwrite");
    await Promise.all([...own.map((w) => done.store.delete(w.seq ?? -1)), done.done]);
    crossed(
      own.map((w) => w.sent.id),
      answer.state,
      answer.fates.flatMap((f) => (f.why ? [f.why] : [])),
    );
  }
}

/** A photo goes before the entry that speaks of it. */
async function sendPhotos(own: Waiting[]) {
  const kept = await db();
  for (const w of own) {
    const sha256 =
      w.sent.kind === "photo" ? (w.sent.figures ?? []).find((f) => f.name === "sha256")?.text : null;
    const photo = sha256 ? await kept.get("photos", sha256) : undefined;
    if (!photo) {
      continue;
    }
    try {
      await unwrap(
        api.PUT("/api/photos/{sha256}", {
          params: { path: { sha256: photo.sha256 } },
          body: photo.blob as unknown as string,
          bodySerializer: (b: unknown) => b as BodyInit,
          headers: { "Content-Type": photo.blob.type },
        }),
      );
    } catch (e) {
      // What the server does not want is not sent for ever; the entry still says that it was taken.
      if (!(e instanceof ApiProblem && [400, 409, 413, 415, 422].includes(e.status))) {
        throw e;
      }
    }
    await kept.delete("photos", photo.sha256);
  }
}

export const isOffline = (e: unknown) => e instanceof Offline;
