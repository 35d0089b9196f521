import { say } from "../shared/say";
import { told } from "../shared/texts";
import "./ribbon.css";
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { type KeyboardEvent, memo, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import type { Step } from "./draft";
import { middles, PHASE_ROW, ROW, rowsOf } from "./rows";
import { deeds, storyOfEnergy, storyOfSurface } from "./stories";
import { type Actions, type Names, summary, verbOf } from "./words";

type RibbonData = Schemas["Ribbon"];
type Finding = Schemas["FindingDocument"];

const HEAD = 132;
/** A press is a drag once it has gone so many pixels. */
const DRAGS = { activationConstraint: { distance: 8 } };

type Props = {
  steps: Step[];
  ribbon: RibbonData | null;
  phases: string[];
  folded: ReadonlySet<string>;
  onFold: (phase: string) => void;
  selected: string | null;
  onSelect: (id: string) => void;
  onKey: (e: KeyboardEvent) => void;
  findings: Finding[];
  lit: Finding | null;
  /** Only the steps and threads that a finding speaks of. */
  troubled: boolean;
  names: Names;
  actions: Actions;
  /** What became of a step against another version, by its id. */
  marks: Map<string, Mark>;
  /** How many steps have been carried out; the rest lies under a veil. Absent where nothing is replayed. */
  reached?: number;
  /** A step was dragged to the place of another; absent where nothing may be moved. */
  onMove?: (from: string, to: string) => void;
};

export type Mark = "added" | "changed" | "moved";

const MARKS: Record<Mark, { sign: string; said: string }> = {
  added: { sign: "+", said: say("ribbon.marks.new", "new") },
  changed: { sign: "≠", said: say("ribbon.marks.changed", "changed") },
  moved: { sign: "↕", said: say("ribbon.marks.moved", "moved") },
};

/** Of the threads only those that a finding names, itself or by its part; all of them where none does. */
function troubledOnly(ribbon: RibbonData | null, findings: Finding[]): RibbonData | null {
  if (!ribbon) {
    return null;
  }
  const items = new Set(findings.flatMap((f) => f.items));
  const energies = new Set(findings.flatMap((f) => f.energies));
  return {
    ...ribbon,
    surfaces: ribbon.surfaces.filter((t) => t.surfaces.some((s) => items.has(s.id) || items.has(s.part))),
    energies: ribbon.energies.filter((e) => energies.has(e.id)),
  };
}

const energyWidth = 20;

/** How names slant, and the room beside the last thread for its own. Close threads have steeper names. */
const SLANTS = [
  { degrees: 52, beside: 84, from: 18 },
  { degrees: 66, beside: 58, from: 0 },
];

function geometry(ribbon: RibbonData | null, space: number) {
  const energies = ribbon?.energies ?? [];
  const threads = ribbon?.surfaces ?? [];
  const left = energies.length * energyWidth + 12;
  const each = (beside: number) => Math.floor((space - left - beside) / Math.max(1, threads.length));
  const slant = SLANTS.find((s) => each(s.beside) >= s.from) ?? SLANTS[1];
  const width = Math.max(12, Math.min(34, each(slant.beside)));
  const total = left + threads.length * width + slant.beside;
  return { energies, threads, width, left, total, degrees: slant.degrees };
}

/** How wide the cloth may be beside the words, now. */
function useSpace() {
  const ribbon = useRef<HTMLDivElement>(null);
  const [space, setSpace] = useState(500);
  useEffect(() => {
    const box = ribbon.current;
    if (!box) {
      return;
    }
    const seen = new ResizeObserver(() => {
      const words = Number.parseFloat(getComputedStyle(box).getPropertyValue("--words"));
      setSpace(box.clientWidth - words);
    });
    seen.observe(box);
    return () => seen.disconnect();
  }, []);
  return { ribbon, space };
}

type ClothProps = {
  ribbon: RibbonData | null;
  space: number;
  mid: number[];
  height: number;
  lit: Finding | null;
};

/** The threads alone: drawn anew when the verdict changes, not for every key. */
const Cloth = memo(function Cloth({ ribbon, space, mid, height, lit }: ClothProps) {
  const { energies, threads, width, left, total } = geometry(ribbon, space);
  return (
    <svg className="cloth" width={total} height={height} role="presentation">
      <Patterns />
      {energies.map((e, i) => (
        <EnergyThread key={e.id} x={i * energyWidth + 10} thread={e} mid={mid} height={height} />
      ))}
      {threads.map((t, i) => (
        <SurfaceThread
          key={t.surfaces[0].id}
          x={left + i * width}
          width={width}
          thread={t}
          mid={mid}
          height={height}
          lit={lit?.items.some((item) => t.surfaces.some((s) => s.id === item)) ?? false}
          litStep={lit?.step ?? 0}
        />
      ))}
    </svg>
  );
});

type HeadsProps = { ribbon: RibbonData | null; space: number; lit: Finding | null };

const Heads = memo(function Heads({ ribbon, space, lit }: HeadsProps) {
  const { energies, threads, width, left, total, degrees } = geometry(ribbon, space);
  return (
    <div className="ribbon-head" style={{ height: HEAD }}>
      <span className="quiet ribbon-hint">
        {say("ribbon.ribbon.keys-for-the-list", "Keys: ? for the list")}
      </span>
      <svg width={total} height={HEAD} role="presentation">
        {energies.map((e, i) => (
          <Head
            key={e.id}
            x={i * energyWidth + 10}
            degrees={degrees}
            name={told(e.name)}
            story={storyOfEnergy(e)}
          />
        ))}
        {threads.map((t, i) => (
          <Head
            key={t.surfaces[0].id}
            x={left + i * width + width / 2}
            degrees={degrees}
            name={headName(t)}
            story={t.surfaces.map((s) => storyOfSurface(s.name, t)).join("\n")}
            strong={lit !== null && t.surfaces.some((s) => lit.items.includes(s.id))}
          />
        ))}
        {energies.length > 0 && <rect x="0" y={HEAD - 3} width={left - 14} height="3" fill="var(--amber)" />}
        <rect x={left} y={HEAD - 3} width={threads.length * width} height="3" fill="var(--ink)" />
      </svg>
    </div>
  );
});

/** The threads in sentences, for whoever hears the page. */
const Stories = memo(function Stories({ ribbon }: { ribbon: RibbonData | null }) {
  return (
    <ul className="sr-only" aria-label={say("ribbon.ribbon.life-of-each-surface", "Life of each surface")}>
      {ribbon?.surfaces.flatMap((t) =>
        t.surfaces.map((s) => <li key={s.id}>{storyOfSurface(s.name, t)}</li>),
      )}
      {ribbon?.energies.map((e) => (
        <li key={e.id}>{storyOfEnergy(e)}</li>
      ))}
    </ul>
  );
});

const severityRank = ["STOP", "FIX", "ADVISE"];

export const Ribbon = memo(function Ribbon(p: Props) {
  const ribbon = useMemo(
    () => (p.troubled ? troubledOnly(p.ribbon, p.findings) : p.ribbon),
    [p.troubled, p.ribbon, p.findings],
  );
  const idText = p.steps.map((s) => s.id).join("\n");
  // The same list while a word is typed, so that neither rows nor threads are drawn anew.
  const ids = useMemo(() => idText.split("\n"), [idText]);
  const rows = useMemo(() => {
    const steps = new Set(p.findings.map((f) => f.stepId));
    return rowsOf(p.phases, p.folded, (i) => !p.troubled || steps.has(ids[i]));
  }, [p.phases, p.folded, p.troubled, p.findings, ids]);
  const did = useMemo(() => (p.ribbon ? deeds(p.ribbon) : []), [p.ribbon]);
  const { mid, height } = useMemo(() => middles(rows, p.phases.length), [rows, p.phases.length]);
  const box = useSpace();
  const current = useRef<HTMLButtonElement>(null);
  const picked = p.selected;

  useEffect(() => {
    if (picked) {
      current.current?.scrollIntoView({ block: "nearest" });
    }
  }, [picked]);

  const moved = useRef(p.onMove);
  moved.current = p.onMove;
  const onDragEnd = useCallback(({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) {
      moved.current?.(String(active.id), String(over.id));
    }
  }, []);
  const sensors = useSensors(useSensor(PointerSensor, DRAGS));
  const worst = (stepId: string) =>
    severityRank.find((s) => p.findings.some((f) => f.stepId === stepId && f.severity === s));

  return (
    <div className="ribbon" ref={box.ribbon}>
      <Heads ribbon={ribbon} space={box.space} lit={p.lit} />
      <div className="ribbon-body" style={{ height }}>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={ids} strategy={verticalListSortingStrategy} disabled={!p.onMove}>
            <ol className="ribbon-steps">
              {rows.map((r) =>
                r.kind === "phase" ? (
                  <li key={`phase-${r.first}`}>
                    <button
                      className="phase"
                      type="button"
                      style={{ height: PHASE_ROW }}
                      aria-expanded={!p.folded.has(r.phase)}
                      onClick={() => p.onFold(r.phase)}
                    >
                      <span aria-hidden="true">{p.folded.has(r.phase) ? "+" : "–"}</span> {told(r.phase)}{" "}
                      <span className="quiet">
                        {say(
                          "ribbon.ribbon.min",
                          "{0}, {1} min",
                          r.first === r.last
                            ? say("ribbon.ribbon.one-step", "step {0}", r.first + 1)
                            : say("ribbon.ribbon.steps-to", "steps {0} to {1}", r.first + 1, r.last + 1),
                          minutes(p.steps, r.first, r.last),
                        )}
                      </span>
                    </button>
                  </li>
                ) : (
                  <StepRow
                    key={p.steps[r.index].id}
                    step={p.steps[r.index]}
                    number={r.index + 1}
                    selected={picked === p.steps[r.index].id}
                    worst={worst(p.steps[r.index].id)}
                    did={did[r.index] ?? ""}
                    mark={p.marks.get(p.steps[r.index].id)}
                    names={p.names}
                    actions={p.actions}
                    onSelect={p.onSelect}
                    onKey={p.onKey}
                    buttonRef={picked === p.steps[r.index].id ? current : null}
                  />
                ),
              )}
            </ol>
          </SortableContext>
        </DndContext>
        <Cloth ribbon={ribbon} space={box.space} mid={mid} height={height} lit={p.lit} />
        {p.reached !== undefined && p.reached < mid.length && (
          <div className="not-yet" style={{ top: p.reached === 0 ? 0 : mid[p.reached - 1] + ROW / 2 }} />
        )}
      </div>
      <Stories ribbon={ribbon} />
    </div>
  );
});

/** The thread by its first surface, and how many more share its life. */
function headName(t: Schemas["SurfaceThread"]): string {
  const more = t.surfaces.length - 1;
  const whole = more > 0 && t.name !== t.surfaces[0].name;
  const name = told(t.name);
  return more === 0 || whole ? name : `${name.slice(0, 15)}${name.length > 15 ? "…" : ""} + ${more}`;
}

function minutes(steps: Step[], first: number, last: number): number {
  return steps.slice(first, last + 1).reduce((sum, s) => sum + (s.minutes ?? 1), 0);
}

type HeadProps = { x: number; degrees: number; name: string; story: string; strong?: boolean };

function Head({ x, degrees, name, story, strong = false }: HeadProps) {
  const most = degrees > 60 ? 19 : 23;
  const short = name.length > most ? `${name.slice(0, most - 1)}…` : name;
  return (
    <text
      x={x + 3}
      y={HEAD - 9}
      transform={`rotate(-${degrees} ${x + 3} ${HEAD - 9})`}
      className={strong ? "head lit" : "head"}
    >
      <title>{story}</title>
      {short}
    </text>
  );
}

type StepRowProps = {
  step: Step;
  number: number;
  selected: boolean;
  worst: string | undefined;
  did: string;
  mark: Mark | undefined;
  names: Names;
  actions: Actions;
  onSelect: (id: string) => void;
  onKey: (e: KeyboardEvent) => void;
  buttonRef: React.Ref<HTMLButtonElement> | null;
};

const StepRow = memo(function StepRow(p: StepRowProps) {
  const drag = useSortable({ id: p.step.id });
  const moved = drag.transform && `translateY(${Math.round(drag.transform.y)}px)`;
  const found = p.worst ? say("ribbon.ribbon.has-a", ", has a {0}", p.worst) : "";
  return (
    <li
      ref={drag.setNodeRef}
      className={drag.isDragging ? "dragged" : undefined}
      style={moved ? { transform: moved } : undefined}
      onPointerDown={(e) => drag.listeners?.onPointerDown?.(e)}
    >
      <button
        ref={p.buttonRef}
        type="button"
        data-step={p.step.id}
        className={`step${p.selected ? " selected" : ""}`}
        style={{ height: ROW }}
        aria-current={p.selected ? "step" : undefined}
        onClick={() => p.onSelect(p.step.id)}
        onKeyDown={p.onKey}
      >
        <span className={`edge ${p.worst?.toLowerCase() ?? ""}`} />
        <span className="number">
          <span className="sr-only">{say("ribbon.ribbon.step", "Step")} </span>
          {p.number}
        </span>{" "}
        {p.mark && (
          <span className="mark" title={MARKS[p.mark].said}>
            <span aria-hidden="true">{MARKS[p.mark].sign}</span>
            <span className="sr-only">{MARKS[p.mark].said}</span>
          </span>
        )}
        <span className="verb">{verbOf(p.step, p.actions)}</span>{" "}
        <span className="words">{summary(p.step, p.names, p.actions)}</span>
        <span className="sr-only">
          {found}. {p.did}
        </span>
      </button>
    </li>
  );
});

export function Patterns() {
  return (
    <defs>
      <pattern id="soiled" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <path d="M0 1H5" stroke="#7d6d53" strokeWidth="1.7" />
      </pattern>
      <pattern id="loose" width="11" height="11" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <path d="M0 1H11" stroke="#a5977d" strokeWidth="1.4" />
      </pattern>
    </defs>
  );
}

const ENERGY: Record<string, { dash?: string; width: number; colour: string }> = {
  LIVE: { width: 4, colour: "var(--amber)" },
  STOPPED: { width: 2, colour: "var(--amber)" },
  UNPLUGGED: { dash: "2 6", width: 1.5, colour: "var(--ink-2)" },
  ISOLATED: { dash: "6 4", width: 2, colour: "var(--amber)" },
  LOCKED: { dash: "6 4", width: 2, colour: "var(--ink)" },
  RELIEVED: { dash: "6 4", width: 2, colour: "var(--amber)" },
  PROVED: { dash: "2 6", width: 1.5, colour: "var(--ink-2)" },
  COOLED: { dash: "2 6", width: 1.5, colour: "var(--ink-2)" },
};

export const EnergyThread = memo(function EnergyThread(p: {
  x: number;
  thread: Schemas["EnergyThread"];
  mid: number[];
  height: number;
}) {
  const at = (step: number) => (step === 0 ? 0 : p.mid[step - 1]);
  return (
    <g>
      {p.thread.spans.map((s, i) => {
        const next = p.thread.spans[i + 1];
        const look = ENERGY[s.stage] ?? ENERGY.LIVE;
        const y1 = at(s.from);
        const y2 = next ? at(next.from) : p.height;
        return (
          <g key={`${s.from}-${s.stage}`}>
            <path
              d={`M${p.x} ${y1}V${y2}`}
              stroke={look.colour}
              strokeWidth={look.width}
              strokeDasharray={look.dash}
              fill="none"
            />
            {s.from > 0 &&
              (s.stage === "LOCKED" ? (
                <path
                  d={`M${p.x - 5} ${y1}a5 5 0 1 1 10 0a5 5 0 1 1-10 0M${p.x - 5} ${y1 - 5}l10 10`}
                  className="knot"
                />
              ) : (
                <circle cx={p.x} cy={y1} r="4.5" className="ring" />
              ))}
          </g>
        );
      })}
    </g>
  );
});

type ThreadProps = {
  x: number;
  width: number;
  thread: Schemas["SurfaceThread"];
  mid: number[];
  height: number;
  lit: boolean;
  litStep: number;
};

/** Drawn anew only where its own life changed. */
export const SurfaceThread = memo(function SurfaceThread(p: ThreadProps) {
  const at = (step: number) => (step === 0 ? 0 : p.mid[step - 1]);
  const w = p.width - 5;
  const x = p.x + 2.5;
  const cx = x + w / 2;
  return (
    <g opacity={p.thread.due ? 1 : 0.45}>
      {p.thread.spans.map((s, i) => {
        const next = p.thread.spans[i + 1];
        const y1 = at(s.from);
        const y2 = next ? at(next.from) : p.height;
        return (
          <g key={`${s.from}-${s.stage}-${s.off}-${s.covered}`}>
            <rect x={x} y={y1} width={w} height={Math.max(0, y2 - y1)} fill={s.off ? "#ffffff" : "#e6dccb"} />
            <Band stage={s.stage} x={x} cx={cx} w={w} y1={y1} y2={y2} />
            {s.covered && (
              <path d={`M${x} ${y1}V${y2}M${x + w} ${y1}V${y2}`} stroke="var(--ink)" strokeWidth="2.5" />
            )}
          </g>
        );
      })}
      {p.thread.marks.map((m) => (
        <MarkShape
          key={`${m.step}-${m.kind}`}
          kind={m.kind}
          granted={m.granted}
          cx={cx}
          cy={at(m.step)}
          w={w}
        />
      ))}
      {p.lit && <rect x={x - 2} y="1" width={w + 4} height={p.height - 2} className="lit-column" />}
      {p.lit && p.litStep > 0 && (
        <rect x={x - 1} y={at(p.litStep) - 11} width={w + 2} height="22" className="lit-cell" />
      )}
    </g>
  );
});

function Band(p: { stage: string; x: number; cx: number; w: number; y1: number; y2: number }) {
  const h = Math.max(0, p.y2 - p.y1);
  switch (p.stage) {
    case "SOILED":
      return <rect x={p.x} y={p.y1} width={p.w} height={h} fill="url(#soiled)" />;
    case "LOOSE_OFF":
      return <rect x={p.x} y={p.y1} width={p.w} height={h} fill="url(#loose)" />;
    case "WASHED":
      return <path d={`M${p.cx - 4} ${p.y1}V${p.y2}M${p.cx + 4} ${p.y1}V${p.y2}`} className="band-line" />;
    case "RINSED":
      return <path d={`M${p.cx} ${p.y1}V${p.y2}`} className="band-line" />;
    case "INSPECTED":
      return <path d={`M${p.cx} ${p.y1}V${p.y2}`} className="band-line seen" />;
    case "SANITIZED":
      return <path d={`M${p.cx} ${p.y1}V${p.y2}`} className="band-line moss" />;
    default:
      return <rect x={p.cx - 4} y={p.y1} width="8" height={h} fill="var(--moss)" />;
  }
}

export function MarkShape(p: { kind: string; granted: boolean; cx: number; cy: number; w: number }) {
  const { cx, cy } = p;
  const r = Math.min(8, p.w / 2 - 1);
  switch (p.kind) {
    case "dry-clean":
      return <path d={`M${cx - 6} ${cy + 4}L${cx + 6} ${cy - 4}`} className="mark-ink" />;
    case "soak":
      return <path d={`M${cx - r} ${cy - 4}v6q0 3 3 3h${2 * r - 6}q3 0 3-3v-6`} className="mark-water" />;
    case "wash":
      return (
        <>
          <rect x={cx - p.w / 2} y={cy - 6} width={p.w} height="12" fill="#d8e8ee" />
          <path d={`M${cx - r} ${cy + 2}q${r / 2} -7 ${r} -1t${r} -1`} className="mark-water" />
        </>
      );
    case "rinse":
      return (
        <>
          <rect x={cx - p.w / 2} y={cy - 6} width={p.w} height="12" fill="#d8e8ee" />
          <path d={`M${cx - r} ${cy}H${cx + r}`} className="mark-water" />
        </>
      );
    case "inspect":
      return <circle cx={cx} cy={cy} r="4.5" className="mark-seen" />;
    case "sanitize":
      return p.granted ? (
        <path d={`M${cx} ${cy - 8}l7 8-7 8-7-8z`} fill="var(--moss)" stroke="#fbf8f2" />
      ) : (
        <path d={`M${cx} ${cy - 8}l7 8-7 8-7-8z`} className="mark-refused" />
      );
    case "dry":
      return <rect x={cx - r} y={cy - 2.5} width={2 * r} height="5" fill="var(--moss)" />;
    case "off":
      return <path d={`M${cx - p.w / 2} ${cy}H${cx + p.w / 2 - 1}m-5 -4l5 4-5 4`} className="mark-ink" />;
    case "on":
      return <path d={`M${cx + p.w / 2} ${cy}H${cx - p.w / 2 + 1}m5 -4l-5 4 5 4`} className="mark-ink" />;
    case "aside":
      return <path d={`M${cx - 6} ${cy + 4}q6 -12 12 -4m-6 -1l6 1 0 -6`} className="mark-ink" />;
    default:
      return <path d={`M${cx + 6} ${cy + 4}q-6 -12 -12 -4m6 -1l-6 1 0 -6`} className="mark-ink" />;
  }
}

const LEGEND: [string, string][] = [
  ["dry-clean", say("ribbon.ribbon.loose-soil-off", "loose soil off")],
  ["soak", say("ribbon.ribbon.soaked", "soaked")],
  ["wash", say("ribbon.ribbon.washed", "washed")],
  ["rinse", say("ribbon.ribbon.rinsed", "rinsed")],
  ["inspect", say("ribbon.ribbon.inspected", "inspected")],
  ["sanitize", say("ribbon.ribbon.sanitized", "sanitized")],
  ["refused", say("ribbon.ribbon.tried-not-granted", "tried, not granted")],
  ["dry", say("ribbon.ribbon.dried", "dried")],
  ["off", say("ribbon.ribbon.taken-off", "taken off")],
  ["on", say("ribbon.ribbon.put-back", "put back")],
  ["aside", say("ribbon.ribbon.moved-aside", "moved aside")],
];

export const Legend = memo(function Legend() {
  return (
    <ul className="legend" aria-label={say("ribbon.ribbon.what-the-marks-mean", "What the marks mean")}>
      <li>
        <svg width="26" height="18" role="presentation">
          <Patterns />
          <rect width="26" height="18" fill="#e6dccb" />
          <rect width="26" height="18" fill="url(#soiled)" />
        </svg>
        {say("ribbon.ribbon.soiled", "soiled")}
      </li>
      {LEGEND.map(([kind, words]) => (
        <li key={kind}>
          <svg width="26" height="18" role="presentation">
            <MarkShape
              kind={kind === "refused" ? "sanitize" : kind}
              granted={kind !== "refused"}
              cx={13}
              cy={9}
              w={24}
            />
          </svg>
          {words}
        </li>
      ))}
      <li>
        <svg width="26" height="18" role="presentation">
          <rect x="4" width="18" height="18" fill="#e6dccb" />
          <path d="M4 0V18M22 0V18" stroke="var(--ink)" strokeWidth="2.5" />
        </svg>
        {say("ribbon.ribbon.covered", "covered")}
      </li>
    </ul>
  );
});
