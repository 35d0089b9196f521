import type { Schemas } from "../api/client";
import { say } from "./say";
import "./standing.css";

export type Standing = Schemas["Machine"]["standing"];

export const STANDING: Record<Standing, string> = {
  IN_USE: say("shared.standing.in-use", "in use"),
  DIRTY: say("shared.standing.dirty", "dirty"),
  CLEANING: say("shared.standing.being-cleaned", "being cleaned"),
  WAITING: say("shared.standing.waits-for-release", "waits for release"),
  RELEASED: say("shared.standing.released", "released"),
  HELD: say("shared.standing.held", "held"),
};

/** Where a machine stands, as a shape: the same hand as the ribbon's, so that nobody needs the colour. */
export function Shape({ standing, out = false }: { standing: Standing; out?: boolean }) {
  if (out) {
    return (
      <svg className="standing out" viewBox="0 0 44 30" role="presentation">
        <path d="M4 22H40M4 22V8M40 22V8M12 22V12M20 22V12M28 22V12" />
      </svg>
    );
  }
  return (
    <svg className={`standing ${standing.toLowerCase()}`} viewBox="0 0 44 30" role="presentation">
      {standing === "DIRTY" && <path d="M4 26L14 4M13 26L23 4M22 26L32 4M31 26L41 4" />}
      {standing === "CLEANING" && <path d="M2 15c5-12 10-12 15 0s10 12 15 0 7-10 10-8" />}
      {standing === "WAITING" && <circle cx="22" cy="15" r="10" />}
      {standing === "RELEASED" && <path className="full" d="M22 2L38 15L22 28L6 15Z" />}
      {standing === "IN_USE" && <path className="full" d="M4 10H40V20H4Z" />}
      {standing === "HELD" && <path d="M10 4H34V26H10ZM10 4L34 26M34 4L10 26" />}
    </svg>
  );
}
