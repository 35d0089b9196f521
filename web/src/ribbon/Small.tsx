import type { Schemas } from "../api/client";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { EnergyThread, Patterns, SurfaceThread } from "./Ribbon";
import { type Actions, type Names, summary, verbOf } from "./words";

const ROW = 24;
const ENERGY = 20;
const SURFACE = 24;

type Props = {
  ribbon: Schemas["Ribbon"];
  /** Number of the first step that is shown. */
  first: number;
  steps: Schemas["ExampleStep"][];
  names: Names;
  actions: Actions;
  /** Number of the step of which something is said; 0 for none. */
  lit: number;
};

/** The spans from a step on; what came before it is one, from the top. */
function since<T extends { from: number }>(spans: T[], first: number): T[] {
  const before = spans.filter((s) => s.from < first).at(-1);
  return [...(before ? [{ ...before, from: 0 }] : []), ...spans.filter((s) => s.from >= first)];
}

/** A few steps of a ribbon with the threads that matter there, to be looked at and not worked on. */
export function Small({ ribbon, first, steps, names, actions, lit }: Props) {
  const height = steps.length * ROW;
  const count = Math.max(ribbon.steps.length, first + steps.length - 1);
  const mid = Array.from({ length: count }, (_, i) =>
    Math.max(0, Math.min(height, (i - (first - 1)) * ROW + ROW / 2)),
  );
  const left = ribbon.energies.length * ENERGY;
  const width = left + ribbon.surfaces.length * SURFACE;
  // Marks of steps that are not shown would lie on the edge.
  const here = (step: number) => step >= first && step < first + steps.length;
  const threads = [...ribbon.energies.map((e) => e.name), ...ribbon.surfaces.map((t) => t.name)].map(told);
  return (
    <figure className="small-ribbon">
      <ol start={first}>
        {steps.map((s, i) => (
          <li
            key={`${first + i}`}
            className={`${s.differs ? "differs" : ""}${lit === first + i ? " lit" : ""}`}
            style={{ height: ROW }}
          >
            <span className="number">{first + i}</span>
            <span className="line">
              <span className="does">{verbOf(s.step, actions)}</span> {summary(s.step, names, actions)}
            </span>
          </li>
        ))}
      </ol>
      {width > 0 && (
        <svg width={width} height={height} role="img" aria-label={threads.join(", ")}>
          <Patterns />
          {ribbon.energies.map((e, i) => (
            <EnergyThread
              key={e.id}
              x={i * ENERGY + 10}
              thread={{ ...e, spans: since(e.spans, first) }}
              mid={mid}
              height={height}
            />
          ))}
          {ribbon.surfaces.map((t, i) => (
            <SurfaceThread
              key={t.surfaces[0].id}
              x={left + i * SURFACE}
              width={SURFACE}
              thread={{
                ...t,
                spans: since(t.spans, first),
                marks: t.marks.filter((m) => here(m.step)),
              }}
              mid={mid}
              height={height}
              lit={false}
              litStep={0}
            />
          ))}
        </svg>
      )}
      {threads.length > 0 && (
        <figcaption>{say("ribbon.small.threads", "From left to right: {0}", threads.join(", "))}</figcaption>
      )}
    </figure>
  );
}
