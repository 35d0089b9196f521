/** How deep a clean goes, as files and people say it. */
export const KINDS = [
  { value: "per-use", label: "after each use" },
  { value: "four-hours", label: "every 4 hours of use" },
  { value: "per-meal", label: "each meal period" },
  { value: "end-of-shift", label: "end of shift" },
  { value: "daily", label: "daily" },
  { value: "weekly", label: "weekly" },
  { value: "monthly", label: "monthly" },
  { value: "quarterly", label: "quarterly" },
  { value: "yearly", label: "yearly" },
];
