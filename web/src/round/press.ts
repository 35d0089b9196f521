import type { Made } from "./core";

/** What was pressed, and when by this device. */
export type Press = { what: string; at: number };

/** A wet finger that bounces is back within so long; a second try after a look at the screen takes longer. */
const BOUNCE_MS = 700;

export const press = (made: Made, at: number): Press => ({ what: JSON.stringify(made), at });

/** Whether it is the press before once more, so that nobody needs to be told that it does not fit. */
export const bounced = (before: Press | null, now: Press): boolean =>
  before !== null && before.what === now.what && now.at - before.at >= 0 && now.at - before.at < BOUNCE_MS;
