import type { Schemas } from "../api/client";
import { say } from "../shared/say";
import { told } from "../shared/texts";

export type DueTask = Schemas["DueTask"];
export type DueAhead = Schemas["DueAhead"];

/** What is at stake, the gravest first. */
export const RISKS: [DueTask["risk"], string][] = [
  ["FOOD", say("due.risk.food", "Food at risk")],
  ["PEOPLE", say("due.risk.people", "People at risk")],
  ["PRODUCTION", say("due.risk.production", "Production at risk")],
  ["REST", say("due.risk.rest", "The rest")],
];

export const DEPTHS: Record<NonNullable<DueTask["depth"]>, string> = {
  EVENT: say("due.depth.event", "after an event"),
  PER_USE: say("due.depth.per-use", "after each use"),
  FOUR_HOURS: say("due.depth.four-hours", "every 4 hours of use"),
  PER_MEAL: say("due.depth.per-meal", "after each meal period"),
  END_OF_SHIFT: say("due.depth.end-of-shift", "end of shift"),
  DAILY: say("due.depth.daily", "daily"),
  WEEKLY: say("due.depth.weekly", "weekly"),
  MONTHLY: say("due.depth.monthly", "monthly"),
  QUARTERLY: say("due.depth.quarterly", "quarterly"),
  YEARLY: say("due.depth.yearly", "yearly"),
};

/** What a task is called; training is called after whoever is trained. */
export const nameOf = (t: Pick<DueTask, "kind" | "name">) =>
  t.kind === "TRAINING" ? say("due.words.training-of", "Training of {0}", t.name) : told(t.name);

/** Whether somebody has to do something about it. */
export const open = (t: DueTask) => t.state !== "DONE" && t.state !== "SOON";

/** Whether it comes so often that a calendar shows it as a line rather than as marks. */
export const everyDay = (depth: DueTask["depth"]) =>
  depth !== undefined && !["WEEKLY", "MONTHLY", "QUARTERLY", "YEARLY", "EVENT"].includes(depth);

/** Whether something has to be ordered. */
export const STOCK: Record<Schemas["WearPart"]["stock"], string> = {
  NOT_COUNTED: say("due.parts.not-known", "not known"),
  ENOUGH: say("due.parts.enough", "enough"),
  ORDER: say("due.parts.order", "order"),
  TOO_LATE: say("due.parts.too-late", "too late"),
};

/** What was typed, as a number; nothing where it is none. */
export function figure(typed: string): number | undefined {
  const value = Number(typed.replace(",", "."));
  return typed.trim() !== "" && Number.isFinite(value) ? value : undefined;
}
