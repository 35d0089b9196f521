import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { Offline, type Schemas } from "../api/client";

/*
 * What this device keeps so that it works without signal: entries until the server has them, photos, and
 * the last that was heard of rounds and languages.
 */

/** An entry as it goes to the server, with what the fold on the tablet made of it. */
type Sent = Schemas["SentEntry"] & { id: string; packHash: string; device: string; tabletTime: number };

export type Waiting = {
  seq?: number;
  round: string;
  who: string;
  /** Whose account it is and in which role; absent in what an older page kept. */
  person?: string;
  role?: string;
  sent: Sent;
};

interface Kept extends DBSchema {
  entries: { key: number; value: Waiting; indexes: { round: string } };
  photos: { key: string; value: { sha256: string; blob: Blob } };
  heard: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Kept>> | null = null;

export function db(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>("orthopur-floor", 1, {
    upgrade(fresh) {
      fresh
        .createObjectStore("entries", { keyPath: "seq", autoIncrement: true })
        .createIndex("round", "round");
      fresh.createObjectStore("photos", { keyPath: "sha256" });
      fresh.createObjectStore("heard");
    },
  });
  return opened;
}

export async function remember(key: string, value: unknown): Promise<void> {
  await (await db()).put("heard", value, key);
}

export async function recall<T>(key: string): Promise<T | undefined> {
  return (await (await db()).get("heard", key)) as T | undefined;
}

/** Asks the server and keeps what it said; without signal, what it said last. */
export async function heard<T>(key: string, ask: () => Promise<T>): Promise<T> {
  try {
    const fresh = await ask();
    await remember(key, fresh);
    return fresh;
  } catch (e) {
    const known = e instanceof Offline ? await recall<T>(key) : undefined;
    if (known === undefined) {
      throw e;
    }
    return known;
  }
}
