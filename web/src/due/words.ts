import type { Schemas } from "../api/client";
import { say } from "../shared/say";

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

/** Whether somebody has to do something about it. */
export const open = (t: DueTask) => t.state !== "DONE" && t.state !== "SOON";

/** Whether it comes so often that a calendar shows it as a line rather than as marks. */
export const everyDay = (depth: DueTask["depth"]) =>
  depth !== undefined && !["WEEKLY", "MONTHLY", "QUARTERLY", "YEARLY", "EVENT"].includes(depth);
