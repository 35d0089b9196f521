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
