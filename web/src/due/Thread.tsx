import { say } from "../shared/say";
import type { DueTask } from "./words";

type Props = { task: DueTask; now: number };

const WIDE = 168;
const MID = 11;
const LEFT = 8;
const RIGHT = 160;

/**
 * The life of a task since it was last done, as a thread: a knot where it was done, plain until it is due, hatched
 * while it is tolerated, broken once it is late. The upright stroke is now.
 */
export function Thread({ task, now }: Props) {
  const { since, due, late, state } = task;
  const from = since ?? due ?? now;
  const ends = [now, due, late].filter((t): t is number => t !== undefined);
  const to = Math.max(...ends);
  const span = Math.max(1, to - from);
  const x = (t: number) => LEFT + (Math.max(0, Math.min(t - from, span)) / span) * (RIGHT - LEFT);
  if (since === undefined && due === undefined) {
    return <svg className="due-thread" viewBox={`0 0 ${WIDE} 22`} aria-hidden="true" />;
  }
  const dueAt = due ?? to;
  return (
    <svg className={`due-thread is-${state.toLowerCase()}`} viewBox={`0 0 ${WIDE} 22`} aria-hidden="true">
      {since !== undefined && (
        <>
          <path d={`M${LEFT} ${MID}H${x(dueAt)}`} className="thread-plain" />
          <path d={`M${LEFT - 4} ${MID - 5}l8 10M${LEFT + 4} ${MID - 5}l-8 10`} className="thread-knot" />
        </>
      )}
      {due !== undefined && late !== undefined && late > due && (
        <path d={hatch(x(due), x(late))} className="thread-tolerated" />
      )}
      {due !== undefined && now > (late ?? due) && (
        <path d={`M${x(late ?? due)} ${MID}H${x(now)}`} className="thread-late" />
      )}
      {due !== undefined && <path d={`M${x(due)} ${MID - 7}v14`} className="thread-due" />}
      <path d={`M${x(now)} 1v20`} className="thread-now" />
    </svg>
  );
}

function hatch(from: number, to: number): string {
  let d = "";
  for (let x = from; x <= to - 3; x += 5) {
    d += `M${x} ${MID + 4}l4 -8`;
  }
  return d;
}

/** How a task stands, as a shape: nobody needs the colour. */
export function StateShape({ state }: { state: DueTask["state"] }) {
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
