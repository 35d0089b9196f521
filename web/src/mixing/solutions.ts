import type { Known } from "../round/core";

/* The shelf: what stands in which vessel, by the newest entries of the site. */

export type Reading = { at: number; mgPerL: number; celsius: number; instrument: string; who: string };
export type Solution = {
  vessel: string;
  chemical: string;
  litres: number;
  mgPerL?: number;
  label?: string;
  celsius?: number;
  until?: number;
  at: number;
  who: string;
  readings: Reading[];
  corrections: { at: number; what: string; litres: number; who: string }[];
  /** Poured out since, and whether the vessel was washed out. */
  emptied?: { at: number; rinsed: boolean };
};

const text = (k: Known, name: string) => k.entry.figures.find((f) => f.name === name)?.text;
const value = (k: Known, name: string) => k.entry.figures.find((f) => f.name === name)?.value;

export function solutionsOf(newest: Known[]): Solution[] {
  const of = (kind: string) => newest.filter((k) => k.entry.kind === kind);
  return of("bucket-made")
    .map((k): Solution => {
      const label = text(k, "label");
      const mine = (x: Known) => label !== undefined && text(x, "label") === label;
      const out = of("vessel-emptied").find((x) => text(x, "vessel") === text(k, "vessel") && x.at >= k.at);
      return {
        vessel: text(k, "vessel") ?? "",
        chemical: text(k, "chemical") ?? "",
        litres: value(k, "volume") ?? 0,
        mgPerL: value(k, "strength") ?? undefined,
        label,
        celsius: value(k, "temperature") ?? undefined,
        until: value(k, "until") ?? undefined,
        at: k.at,
        who: k.who,
        readings: of("solution-read")
          .filter(mine)
          .map((x) => ({
            at: value(x, "at") ?? x.at,
            mgPerL: value(x, "strength") ?? 0,
            celsius: value(x, "temperature") ?? 0,
            instrument: text(x, "instrument") ?? "",
            who: x.who,
          }))
          .sort((a, b) => a.at - b.at),
        corrections: of("solution-corrected")
          .filter(mine)
          .map((x) => ({
            at: x.at,
            what: text(x, "what") ?? "",
            litres: value(x, "volume") ?? 0,
            who: x.who,
          }))
          .sort((a, b) => a.at - b.at),
        emptied: out && { at: out.at, rinsed: text(out, "rinsed") === "yes" },
      };
    })
    .sort((a, b) => a.vessel.localeCompare(b.vessel));
}

/** Minutes before its end at which a solution is called out. */
export const CALLED = 15;

export type Standing = "fresh" | "soon" | "over" | "out";

export function standing(s: Solution, now: number): Standing {
  if (s.emptied) {
    return "out";
  }
  if (s.until === undefined || s.until - now > CALLED * 60_000) {
    return "fresh";
  }
  return s.until > now ? "soon" : "over";
}

/** Since it was last made stronger or weaker: only those readings tell how fast it fades. */
export function fading(s: Solution): Reading[] {
  const last = s.corrections.at(-1)?.at ?? 0;
  return s.readings.filter((r) => r.at >= last);
}

const LETTERS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

/** What goes onto the vessel: short, without letters that are mistaken for figures. */
export function newLabel(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(5));
  return [...bytes].map((b) => LETTERS[b % LETTERS.length]).join("");
}
