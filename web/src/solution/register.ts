import type { Schemas } from "../api/client";
import { type Known, registerNow } from "../round/core";
import type { Pack } from "./table";

/* How far each instrument can be believed, as the core says it. */

export type Instrument = Schemas["Instrument"];
export type Believed = "GOOD" | "DUE" | "NEVER" | "LOT_UNCHECKED" | "LOT_EXPIRED" | "FAILED";
export type Check = {
  at: number;
  who: string;
  passed: boolean;
  unit: string;
  low: number;
  lowShown: number;
  high?: number;
  highShown?: number;
  lot?: string;
};
export type Registered = {
  id: string;
  standing: Believed;
  usable: boolean;
  due?: number;
  lot?: string;
  expires?: number;
  goodAt?: number;
  doubtedSince?: number;
  checks: Check[];
};

/** Of a pack that a device has kept from before there was a register, nothing can be said. */
export const registerOf = (pack: Pack, newest: Known[], now: number): Registered[] =>
  pack.register && pack.checkDays ? registerNow(newest, pack.register, pack.checkDays, now) : [];

/** A strip or a kit is used up and has lots; the others have a display. */
export const usedUp = (i: Instrument) => i.steps.length > 0 || i.perDrop !== undefined;
