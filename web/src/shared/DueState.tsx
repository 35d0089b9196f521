import type { Schemas } from "../api/client";
import { say } from "./say";
import "./due-state.css";

type State = Schemas["DueTask"]["state"];

export const DUE_STATES: Record<State, string> = {
  DONE: say("due.state.done", "done"),
  SOON: say("due.state.soon", "soon"),
  DUE: say("due.state.due", "due"),
  LATE: say("due.state.late", "late"),
  MISSED: say("due.state.missed", "missed"),
  BLOCKED: say("due.state.blocked", "blocked"),
};

/** How a task stands, as a shape: nobody needs the colour. */
export function StateShape({ state }: { state: State }) {
  return (
    <svg className={`due-shape is-${state.toLowerCase()}`} viewBox="0 0 24 24" aria-hidden="true">
      {state === "DONE" && <path className="full" d="M12 2L22 12L12 22L2 12Z" />}
      {state === "SOON" && <path d="M12 3L21 12L12 21L3 12Z" />}
      {state === "DUE" && <path d="M3 8H21M3 16H21" />}
      {state === "LATE" && <path d="M3 21L12 3M9 21L18 3M15 21L22 7" />}
      {state === "MISSED" && <path d="M3 21L12 3M9 21L18 3M15 21L22 7M2 5L22 19" />}
      {state === "BLOCKED" && <path d="M4 4H20V20H4ZM4 4L20 20" />}
    </svg>
  );
}

/** How long ago, or ahead, in the largest unit that says enough. */
export function span(ms: number): string {
  const minutes = Math.round(Math.abs(ms) / 60_000);
  if (minutes < 120) {
    return say("due.span.minutes", "{0, plural, one {# minute} other {# minutes}}", minutes);
  }
  const hours = Math.round(minutes / 60);
  return hours < 48
    ? say("due.span.hours", "{0, plural, one {# hour} other {# hours}}", hours)
    : say("due.span.days", "{0, plural, one {# day} other {# days}}", Math.round(hours / 24));
}
