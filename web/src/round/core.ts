import {
  type CompiledRound,
  over,
  register,
  siteOnTop,
  siteRefuses,
  solutions,
} from "orthopur-core/floor.js";
import type { CoreText, Schemas } from "../api/client";

/*
 * The one fold of a round, the core's, as this page calls it. Nothing is decided on this side: what may
 * happen, what is in, what is ready comes from there, with or without signal. Times are epoch milliseconds
 * by the server's clock.
 */

export type Pack = Schemas["RoundPack"];
export type PackStep = Schemas["PackStep"];
export type Ask = Schemas["Ask"];
export type State = Schemas["State"];
export type EntryValue = Schemas["EntryValue"];
export type Made = { kind: string; step: string; figures: EntryValue[] };
export type Outcome = "IN" | "OUT" | "CANNOT_TELL";

/** Who makes an entry. Signed is what a PIN came with; that takes the server. */
export type Actor = { name: string; person?: string; role?: string; signed?: boolean };

/** What became of an entry: a new state, or why it was not taken. */
export type Answer = { state: State; refused?: undefined } | { refused: CoreText; state?: undefined };

export type Stage = "LIVE" | "CUT_OFF" | "LOCKED" | "PROVED";

/** What is before somebody at a step, as the core says it. */
export type AtStep = {
  pieces: string[];
  aside: string[];
  holds: string[];
  energies: Record<string, Stage>;
  missingLocks: string[];
  /** Milliseconds that what is collected here still has to soak. */
  soaking: number;
  /** Milliseconds that it still has to stay wet; absent while nothing is wet. */
  contact?: number;
  in: boolean;
  ready: boolean;
};

export type Running = { step: string; name: CoreText; ends: number };

/** What a reading would mean; empty where the step takes none. */
export type Judged = {
  outcome?: Outcome;
  advice?: CoreText;
  low?: number;
  high?: number;
  outside?: CoreText;
};

const opened = new WeakMap<Pack, CompiledRound>();

function round(pack: Pack): CompiledRound {
  const known = opened.get(pack) ?? over(pack);
  opened.set(pack, known);
  return known;
}

export const start = (pack: Pack): State => JSON.parse(round(pack).start());

export const next = (pack: Pack, state: State, e: Made, at: number, actor: Actor): Answer =>
  JSON.parse(round(pack).next(state, e, at, actor));

/** What waits here on top of what the server has said; what does not fit any more is passed over. */
export const onTop = (
  pack: Pack,
  state: State,
  entries: { entry: Made; at: number; actor: Actor }[],
): State => JSON.parse(round(pack).onTop(state, entries));

export const atStep = (pack: Pack, state: State, step: string, at: number, actor: Actor): AtStep =>
  JSON.parse(round(pack).atStep(state, step, at, actor));

export const running = (pack: Pack, state: State): Running[] =>
  JSON.parse(round(pack).running(state)).running;

export const judge = (
  pack: Pack,
  step: string,
  instrument: string,
  strength: number,
  celsius: number,
): Judged => JSON.parse(round(pack).judge(step, instrument, strength, celsius));

/** The newest entry about one thing of the site. */
export type Known = Schemas["Stated"];

/** What waits here for the site on top of what the server has said of it. */
export const siteNow = (newest: Known[], entries: { entry: Made; at: number; actor: Actor }[]): Known[] =>
  JSON.parse(siteOnTop(newest, entries)).newest;

/** Why an entry for the site may not be made. */
export const refusedForSite = (newest: Known[], e: Made, at: number, actor: Actor): { refused?: CoreText } =>
  JSON.parse(siteRefuses(newest, e, at, actor));

/** What stands in which vessel, and how. */
export const solutionsNow = (newest: Known[], now: number) => JSON.parse(solutions(newest, now)).solutions;

/** How far each instrument can be believed. */
export const registerNow = (newest: Known[], instruments: object[], days: number, now: number) =>
  JSON.parse(register(newest, instruments, days, now)).instruments;

/** What an energy is called where it is locked. */
export function energyName(pack: Pack, energy: string): string | CoreText {
  return (
    pack.steps.flatMap((s) => s.asks).find((a) => a.kind === "LOCK" && a.item === energy)?.name ?? energy
  );
}

/** Milliseconds as minutes and seconds, the last one begun. */
export function clock(millis: number): string {
  const s = Math.max(0, Math.ceil(millis / 1000));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}`;
}
