import { type Known, solutionsNow } from "../round/core";
import type { Ends } from "./table";

/* What stands in which vessel. How each stands is said by the core; what is drawn of it is here. */

export type Standing = "FRESH" | "SOON" | "UNREAD" | "OVER" | "OUT";
export type Reading = { at: number; mgPerL: number; celsius: number; instrument: string; who: string };
export type Correction = { at: number; what: string; litres: number; who: string };
export type Solution = {
  vessel: string;
  chemical: string;
  /** What is left after its corrections. */
  litres: number;
  mgPerL?: number;
  label?: string;
  celsius?: number;
  ph?: number;
  until?: number;
  /** What ends it; absent where nobody has said. */
  why?: Ends;
  /** What it is for. */
  purpose?: string;
  at: number;
  who: string;
  standing: Standing;
  readings: Reading[];
  corrections: Correction[];
  emptiedAt?: number;
  rinsed: boolean;
};

export const solutionsOf = (newest: Known[], now: number): Solution[] => solutionsNow(newest, now);

/** Since it was last made stronger or weaker: only those readings tell how fast it fades. */
export function fading(s: Solution): Reading[] {
  const last = s.corrections.at(-1)?.at ?? 0;
  return s.readings.filter((r) => r.at >= last);
}

/** Whether it was corrected and nobody has read it since. */
export const correctedSinceRead = (s: Solution) =>
  s.corrections.length > 0 && (s.readings.at(-1)?.at ?? 0) < (s.corrections.at(-1)?.at ?? 0);

const LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

/** What goes onto the vessel: short, without letters that are mistaken for figures. */
export function newLabel(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(5));
  return [...bytes].map((b) => LETTERS[b % LETTERS.length]).join("");
}

/** What a scanner gives: the label alone, or the address that its square holds. */
export function labelIn(scanned: string): string {
  const text = scanned.trim();
  const held = /[?&]label=([^&#]+)/.exec(text);
  return (held ? decodeURIComponent(held[1]) : text).toUpperCase();
}
