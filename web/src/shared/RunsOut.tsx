import type { ReactNode } from "react";
import type { Schemas } from "../api/client";
import { span } from "./DueState";
import { say } from "./say";
import { useClock } from "./session";
import { piece } from "./texts";

export type RunningOut = Schemas["RunningOut"];

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** From how long before its end on something is told. */
const SOON: Record<RunningOut["kind"], number> = {
  KEPT: 24 * 168 * HOUR,
  STANDS: 2 * HOUR,
  LINES: 48 * HOUR,
  SOLUTION: HOUR,
  SETTING: 168 * HOUR,
  PLATE: HOUR,
};

/** What has run out or does so soon; what is far off is no news yet. */
export const soon = (all: RunningOut[], now: number) =>
  all.filter((r) => r.over || (r.end ?? 0) - now < SOON[r.kind]);

/** What a clock runs on, for whoever is at the machines; settings and plates are for the desk. */
export const clocks = (all: RunningOut[], now: number) =>
  soon(all, now).filter((r) => r.kind !== "SETTING" && r.kind !== "PLATE");

const upper = (text: string) => text.replace(/^./, (c) => c.toUpperCase());

type Props = { r: RunningOut; now: number; named?: boolean; children?: ReactNode };

/** Something that runs out: until when, and what is done then. A quarter of an hour before, it is told louder. */
export function RunsOut({ r, now, named = true, children }: Props) {
  const clock = useClock();
  const over = r.over || r.end === undefined || r.end <= now;
  const near = !over && r.end !== undefined && r.end - now < 15 * MINUTE;
  return (
    <span className={over ? "runs-out over" : near ? "runs-out near" : "runs-out"}>
      {named && <strong>{r.subject} </strong>}
      {named ? piece(r.what) : upper(piece(r.what))}:{" "}
      {over || r.end === undefined
        ? piece(r.atZero)
        : say(
            "due.runs.until-then",
            "until {0}, {1} left; then {2}",
            r.end - now < 20 * HOUR ? clock.time(r.end) : clock.day(r.end),
            span(r.end - now),
            piece(r.atZero),
          )}{" "}
      <span className="quiet">{r.rule}</span>
      {children}
    </span>
  );
}
