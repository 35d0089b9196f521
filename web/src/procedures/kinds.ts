import { say } from "../shared/say";
/** How deep a clean goes, as files and people say it. */
export const KINDS = [
  { value: "per-use", label: say("procedures.kinds.after-each-use", "after each use") },
  { value: "four-hours", label: "every 4 hours of use" },
  { value: "per-meal", label: say("procedures.kinds.each-meal-period", "each meal period") },
  { value: "end-of-shift", label: say("procedures.kinds.end-of-shift", "end of shift") },
  { value: "daily", label: "daily" },
  { value: "weekly", label: "weekly" },
  { value: "monthly", label: "monthly" },
  { value: "quarterly", label: "quarterly" },
  { value: "yearly", label: "yearly" },
];
