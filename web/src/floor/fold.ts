import type { Schemas } from "../api/client";
import { judge, type Outcome, strengthInterval, within } from "./interpreter";

/*
 * How far a round is, folded from its entries: the same fold as the core's, so that the tablet goes on
 * without signal. It knows no rule. What is in range, what is redone, what has to be confirmed: all of
 * that was put into the pack by the core. Golden vectors hold both to the same answers.
 */

export type Pack = Schemas["RoundPack"];
export type PackStep = Schemas["PackStep"];
export type Ask = Schemas["Ask"];
export type State = Schemas["State"];
export type EntryValue = Schemas["EntryValue"];
export type Made = { kind: string; step: string; figures: EntryValue[] };

/** Why an entry was not taken; the words are said in the reader's language. */
export class Refusal extends Error {
  readonly why: string;
  readonly with: string[];

  constructor(why: string, ...parts: (string | number)[]) {
    super(why);
    this.why = why;
    this.with = parts.map(String);
  }
}

/** A figure outside its domain. */
export class OutOfDomain extends Error {}

export const EMPTY: State = {
  done: [],
  off: [],
  timers: {},
  readings: {},
  checks: {},
  confirmed: {},
  locks: [],
  troubles: [],
  redo: {},
  deviated: [],
  proofs: {},
  status: "OPEN",
};

const text = (e: Made, name: string) => e.figures.find((f) => f.name === name)?.text ?? undefined;
const value = (e: Made, name: string) => e.figures.find((f) => f.name === name)?.value ?? undefined;

export const partOf = (pieceKey: string) => pieceKey.replace(/#.*/, "");

/** Takes an entry in; throws and changes nothing when it does not fit. */
export function fold(pack: Pack, state: State, e: Made, at: number, who: string): State {
  const step = stepOf(pack, e.step);
  const now = currentOf(pack, state);
  inTime(pack, state, e, step);
  switch (e.kind) {
    case "piece-off":
    case "piece-on":
      ownLock(pack, state, step, who);
      return piece(pack, state, step, text(e, "piece") ?? "", e.kind === "piece-off");
    case "timer-started":
      if (!step.timer) {
        throw new Refusal("NO_TIMER", step.number);
      }
      ownLock(pack, state, step, who);
      return { ...state, timers: { [step.id]: at, ...state.timers } };
    case "contact-broken":
      if (!step.timer?.contact) {
        throw new Refusal("NO_TIMER", step.number);
      }
      return { ...state, timers: without(state.timers, step.id) };
    case "reading":
      return reading(pack, state, step, e);
    case "corrective":
      return corrective(state, step, e);
    case "check":
      return check(state, step, e);
    case "confirmed":
      return confirm(state, step, text(e, "ask") ?? "");
    case "lock-on":
    case "lock-off":
      return lock(pack, state, now, e, at, who);
    case "trouble":
      return trouble(pack, state, e, at, who);
    case "photo":
      return state;
    case "deviation":
      if (!text(e, "reason")?.trim()) {
        throw new Refusal("SAY_WHAT");
      }
      return { ...state, deviated: [...new Set([...state.deviated, step.id])] };
    case "step-done":
      ownLock(pack, state, step, who);
      return finish(pack, state, step, at);
    case "round-closed":
      return close(pack, state);
    default:
      throw new Refusal("NO_ASK", step.number, e.kind);
  }
}

/** The first step that is not done; undefined once all are. */
export function currentOf(pack: Pack, state: State): PackStep | undefined {
  return pack.steps.find((s) => !state.done.includes(s.id));
}

/** With the step that comes next, as the server says it. */
export function settled(pack: Pack, state: State): State {
  return { ...state, current: currentOf(pack, state)?.id };
}

function stepOf(pack: Pack, id: string): PackStep {
  const step = pack.steps.find((s) => s.id === id);
  if (!step) {
    throw new Refusal("NO_STEP", id);
  }
  return step;
}

const ANYWHERE = ["round-closed", "lock-on", "lock-off", "trouble", "photo"];

function inTime(pack: Pack, state: State, e: Made, step: PackStep) {
  if (state.status !== "OPEN") {
    throw new Refusal("CLOSED");
  }
  const now = currentOf(pack, state);
  if (!ANYWHERE.includes(e.kind) && now && now.id !== step.id) {
    throw state.done.includes(step.id)
      ? new Refusal("ALREADY_DONE", step.number)
      : new Refusal("COMES_FIRST", now.number);
  }
}

/** Energies on which others have a lock and this person has none. */
export function missingLocks(state: State, step: PackStep, who: string): string[] {
  if (!step.hands) {
    return [];
  }
  const locked = [...new Set(state.locks.map((l) => l.energy))];
  return locked.filter((energy) => !state.locks.some((l) => l.energy === energy && l.who === who));
}

function ownLock(pack: Pack, state: State, step: PackStep, who: string) {
  const missing = missingLocks(state, step, who)[0];
  if (missing) {
    throw new Refusal("OWN_LOCK", who, energyName(pack, missing));
  }
}

export function energyName(pack: Pack, energy: string): string {
  return (
    pack.steps.flatMap((s) => s.asks).find((a) => a.kind === "LOCK" && a.item === energy)?.name ?? energy
  );
}

function said(state: State, step: string, ask: string): State {
  const own = state.confirmed[step] ?? [];
  return own.includes(ask) ? state : { ...state, confirmed: { ...state.confirmed, [step]: [...own, ask] } };
}

const locked = (state: State, energy: string) => state.locks.some((l) => l.energy === energy);

const lockNames = (state: State, energy: string) =>
  state.locks
    .filter((l) => l.energy === energy)
    .map((l) => `${l.lock} (${l.who})`)
    .join(", ");

function confirm(state: State, step: PackStep, id: string): State {
  const ask = step.asks.find((a) => a.id === id);
  if (!ask) {
    throw new Refusal("NO_ASK", step.number, id);
  }
  if (ask.kind === "LOCK") {
    throw new Refusal("NO_LOCK_NUMBER");
  }
  if ((ask.kind === "UNLOCK" || ask.kind === "RESTORE") && locked(state, ask.item)) {
    throw new Refusal("STILL_LOCKED", lockNames(state, ask.item));
  }
  return said(state, step.id, id);
}

function lock(pack: Pack, state: State, now: PackStep | undefined, e: Made, at: number, who: string): State {
  const energy = text(e, "energy") ?? "";
  const number = text(e, "lock") ?? "";
  if (!pack.steps.some((s) => s.asks.some((a) => a.kind === "LOCK" && a.item === energy))) {
    throw new Refusal("NO_ENERGY", energy);
  }
  if (!number.trim()) {
    throw new Refusal("NO_LOCK_NUMBER");
  }
  const there = state.locks.find((l) => l.energy === energy && l.lock === number);
  if (e.kind === "lock-on") {
    if (there) {
      throw new Refusal("LOCK_ON", number, energyName(pack, energy));
    }
    const asked = now?.asks.some((a) => a.kind === "LOCK" && a.item === energy);
    if (!asked && !locked(state, energy)) {
      throw new Refusal("COMES_FIRST", now?.number ?? "");
    }
    return { ...state, locks: [...state.locks, { energy, lock: number, who, at }] };
  }
  if (!there) {
    throw new Refusal("NO_LOCK", number, energyName(pack, energy));
  }
  if (text(e, "reason") === undefined && there.who !== who) {
    throw new Refusal("NOT_YOUR_LOCK", number, there.who);
  }
  stayLocked(pack, state, now, energy);
  return { ...state, locks: state.locks.filter((l) => l !== there) };
}

function stayLocked(pack: Pack, state: State, now: PackStep | undefined, energy: string) {
  if (state.locks.filter((l) => l.energy === energy).length > 1 || !now) {
    return;
  }
  const off = pack.steps.find(
    (s) => s.number >= now.number && s.asks.some((a) => a.kind === "UNLOCK" && a.item === energy),
  );
  if (off && off !== now) {
    throw new Refusal("NOT_YET", off.number);
  }
}

function trouble(pack: Pack, state: State, e: Made, at: number, who: string): State {
  const plan = pack.troubles.find((t) => t.kind === text(e, "trouble"));
  if (!plan) {
    throw new Refusal("NO_ASK", "", text(e, "trouble") ?? "");
  }
  const item = text(e, "item");
  if (plan.about !== "NOTHING") {
    if (item === undefined) {
      throw new Refusal("NAME_THE_PART");
    }
    if (!pack.rework.some((r) => r.item === item)) {
      throw new Refusal("NO_PART", item);
    }
  }
  const told = { kind: plan.kind, item, text: text(e, "text") ?? "", step: e.step, who, at };
  const noted = again({ ...state, troubles: [...state.troubles, told] }, plan.redo, []);
  return plan.about === "A_PART_TO_REDO" ? rework(pack, state, noted, item) : noted;
}

/** How far it ever was: a step that is redone had been done. */
function furthest(pack: Pack, state: State): number {
  return Math.max(
    0,
    ...pack.steps.filter((s) => state.done.includes(s.id) || state.redo[s.id]).map((s) => s.number),
  );
}

function rework(pack: Pack, before: State, state: State, item: string | undefined): State {
  const place = furthest(pack, before);
  const plan = pack.rework.find((r) => r.item === item);
  const since = plan?.since.filter((s) => s.place <= place).at(-1);
  return since ? again(state, since.steps, since.parts) : state;
}

function again(state: State, steps: string[], parts: string[]): State {
  const redone = steps.filter((id) => state.done.includes(id) || state.redo[id]);
  if (redone.length === 0) {
    return state;
  }
  const redo = { ...state.redo };
  for (const id of redone) {
    redo[id] = [...new Set([...(redo[id] ?? []), ...parts])];
  }
  return {
    ...state,
    redo,
    done: state.done.filter((id) => !redone.includes(id)),
    timers: without(state.timers, ...redone),
    readings: without(state.readings, ...redone),
    checks: without(state.checks, ...redone),
    confirmed: without(state.confirmed, ...redone),
    deviated: state.deviated.filter((id) => !redone.includes(id)),
  };
}

function without<T>(record: Record<string, T>, ...keys: string[]): Record<string, T> {
  return Object.fromEntries(Object.entries(record).filter(([key]) => !keys.includes(key)));
}

function piece(pack: Pack, state: State, step: PackStep, key: string, off: boolean): State {
  if (![...step.off, ...step.on].some((p) => p.key === key)) {
    const tally = pack.parts.find((t) => t.part === partOf(key));
    throw tally
      ? new Refusal("TOO_MANY", step.number, key, tally.count, tally.name)
      : new Refusal("NO_PIECE", key);
  }
  const others = state.off.filter((k) => k !== key);
  return { ...state, off: off ? (state.off.includes(key) ? state.off : [...state.off, key]) : others };
}

function reading(pack: Pack, state: State, step: PackStep, e: Made): State {
  if (!step.reading) {
    throw new Refusal("NO_READING", step.number);
  }
  const instrument = pack.instruments.find((i) => i.id === text(e, "instrument"));
  if (!instrument) {
    throw new Refusal("NO_INSTRUMENT", text(e, "instrument") ?? "");
  }
  const celsius = value(e, "temperature") ?? Number.NaN;
  const shown = value(e, "strength") ?? Number.NaN;
  const strength = strengthInterval(instrument, shown);
  if (!(celsius >= -10 && celsius <= 110) || !strength) {
    throw new OutOfDomain();
  }
  const before = state.readings[step.id];
  if (before && before.outcome !== "IN" && !before.corrected) {
    throw new Refusal("SAY_FIRST");
  }
  const t = instrument.temperatureTolerance;
  const outcome: Outcome = judge(step.reading.bands, strength, { low: celsius - t, high: celsius + t });
  const state2 = { strength: shown, temperature: celsius, outcome, advice: "", corrected: false };
  return {
    ...state,
    readings: { ...state.readings, [step.id]: state2 },
    // Contact with a solution that was not in does not count.
    timers: without(state.timers, step.id),
  };
}

function corrective(state: State, step: PackStep, e: Made): State {
  const last = state.readings[step.id];
  if (!last || last.outcome === "IN") {
    throw new Refusal("NOTHING_TO_CORRECT", step.number);
  }
  if (!text(e, "text")?.trim()) {
    throw new Refusal("SAY_WHAT");
  }
  return { ...state, readings: { ...state.readings, [step.id]: { ...last, corrected: true } } };
}

function check(state: State, step: PackStep, e: Made): State {
  const plan = step.checks.find((c) => c.id === text(e, "check"));
  if (!plan) {
    throw new Refusal("NO_CHECK", step.number, text(e, "check") ?? "");
  }
  const v = value(e, "value");
  const ranged = plan.least !== undefined && plan.most !== undefined;
  if (ranged && !Number.isFinite(v)) {
    throw new Refusal("NEEDS_VALUE", plan.name, plan.unit ?? "");
  }
  const own = { ...(state.checks[step.id] ?? {}), [plan.id]: ranged ? within(plan, Number(v)) : "IN" };
  return { ...state, checks: { ...state.checks, [step.id]: own } };
}

/** Seconds until a timer is over; 0 without one. */
export function remaining(pack: Pack, state: State, step: string, at: number): number {
  const timer = pack.steps.find((s) => s.id === step)?.timer;
  const started = state.timers[step];
  if (!timer) {
    return 0;
  }
  return started === undefined ? timer.seconds : Math.max(0, started + timer.seconds - at);
}

export function clock(seconds: number): string {
  const s = Math.max(0, Math.ceil(seconds));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}`;
}

/** Whether a part belongs to the step as it is done now: all of it, or what is redone. */
export function concerned(state: State, step: PackStep, part: string): boolean {
  const only = state.redo[step.id];
  return !only || only.includes(part);
}

/** The pieces that are to be tapped at this step as it is done now. */
export function piecesOf(state: State, step: PackStep): Schemas["Piece"][] {
  return step.off.length > 0
    ? step.off.filter((p) => concerned(state, step, partOf(p.key)) || state.off.includes(p.key))
    : step.on;
}

/** Whether something to confirm holds. */
export function holds(state: State, step: PackStep, a: Ask): boolean {
  const confirmed = (state.confirmed[step.id] ?? []).includes(a.id);
  switch (a.kind) {
    case "LOCK":
      return locked(state, a.item);
    case "UNLOCK":
      return !locked(state, a.item);
    case "POSITION":
    case "WEAR":
      return confirmed || !concerned(state, step, a.item);
    default:
      return confirmed;
  }
}

function finish(pack: Pack, state: State, step: PackStep, at: number): State {
  const excused = state.deviated.includes(step.id);
  if (!excused) {
    tapped(state, step);
    if (step.waitsFor && remaining(pack, state, step.waitsFor, at) > 0) {
      throw new Refusal("SOAKING", clock(remaining(pack, state, step.waitsFor, at)));
    }
  }
  if (step.reading) {
    const last = state.readings[step.id];
    if (!last) {
      throw new Refusal("READ_FIRST");
    }
    if (last.outcome !== "IN") {
      throw new Refusal("NOT_IN");
    }
  }
  if (step.timer?.contact && !excused) {
    if (state.timers[step.id] === undefined) {
      throw new Refusal("START_CONTACT");
    }
    if (remaining(pack, state, step.id, at) > 0) {
      throw new Refusal("KEEP_WET", clock(remaining(pack, state, step.id, at)));
    }
  }
  for (const c of step.checks) {
    const made = state.checks[step.id]?.[c.id];
    if (made !== "IN") {
      throw new Refusal(!made ? "NOT_CHECKED" : made === "OUT" ? "OUT_OF_RANGE" : "TOO_CLOSE", c.name);
    }
  }
  const left = step.asks.filter((a) => !holds(state, step, a));
  if (left.length > 0) {
    throw new Refusal("NOT_CONFIRMED", left.map((a) => a.name).join(", "));
  }
  return {
    ...state,
    timers: step.timer && !step.timer.contact ? { [step.id]: at, ...state.timers } : state.timers,
    done: [...state.done, step.id],
    redo: without(state.redo, step.id),
  };
}

function tapped(state: State, step: PackStep) {
  const off = step.off.filter((p) => !state.off.includes(p.key) && concerned(state, step, partOf(p.key)));
  const left = [...off, ...step.on.filter((p) => state.off.includes(p.key))];
  if (left.length > 0) {
    throw new Refusal("NOT_TAPPED", left.map((p) => p.name).join(", "));
  }
}

function close(pack: Pack, state: State): State {
  const open = currentOf(pack, state);
  if (state.off.length > 0) {
    const pieces = pack.steps.flatMap((s) => s.off).filter((p) => state.off.includes(p.key));
    const fitted = pieces.filter((p) => p.key.startsWith("fitting:"));
    const names = (some: typeof pieces) => [...new Set(some.map((p) => p.name))].join(", ");
    throw fitted.length > 0
      ? new Refusal("STILL_FITTED", names(fitted))
      : new Refusal("STILL_OFF", names(pieces));
  }
  if (open) {
    throw new Refusal("NOT_DONE", open.number);
  }
  if (state.locks.length > 0) {
    throw new Refusal("STILL_LOCKED", lockNames(state, state.locks[0].energy));
  }
  return { ...state, status: "WAITING" };
}
