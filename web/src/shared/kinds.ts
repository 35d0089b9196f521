import { say } from "../shared/say";
/** How deep a clean goes, as files and people say it. */
export const KINDS = [
  { value: "per-use", label: say("procedures.kinds.after-each-use", "after each use") },
  { value: "four-hours", label: say("procedures.kinds.every-4-hours-of-use", "every 4 hours of use") },
  { value: "per-meal", label: say("procedures.kinds.each-meal-period", "each meal period") },
  { value: "end-of-shift", label: say("procedures.kinds.end-of-shift", "end of shift") },
  { value: "daily", label: say("procedures.kinds.daily", "daily") },
  { value: "weekly", label: say("procedures.kinds.weekly", "weekly") },
  { value: "monthly", label: say("procedures.kinds.monthly", "monthly") },
  { value: "quarterly", label: say("procedures.kinds.quarterly", "quarterly") },
  { value: "yearly", label: say("procedures.kinds.yearly", "yearly") },
];
