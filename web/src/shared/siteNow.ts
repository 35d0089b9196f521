/*
 * The site's clock. It is the true time; only the demo has one of its own, and the server says by how much it is ahead.
 * Kept, so that it is right without signal too.
 */

const KEPT = "site-clock-ahead";

let ahead = Number(globalThis.localStorage?.getItem(KEPT) ?? 0) || 0;

/** The server has said by how many milliseconds the site's clock is ahead of the true time. */
export function aheadBy(millis: number): void {
  ahead = millis;
  if (millis === 0) {
    globalThis.localStorage?.removeItem(KEPT);
  } else {
    globalThis.localStorage?.setItem(KEPT, String(millis));
  }
}

/** By how many milliseconds it is ahead. */
export const siteAhead = (): number => ahead;

/** Now, by the site's clock, in epoch milliseconds. */
export const siteNow = (): number => Date.now() + ahead;
