import { useEffect, useRef, useState } from "react";
import { say } from "../shared/say";
import { told, toldTask } from "../shared/texts";
import {
  type Block,
  type Held,
  type Lane,
  lanesOf,
  type Night,
  namesOf,
  type Stay,
  staysOf,
  waitsOf,
} from "./night";

type Props = {
  night: Night;
  /** What is drawn, and all there is. */
  blocks: Block[];
  all: Block[];
  at: (minute: number) => string;
  /** Told where a task is held while it is dragged; absent where nobody may. */
  onHold?: (held: Held | null) => void;
  /** Told where it was let go. */
  onLetGo?: (held: Held) => void;
  held: Held | null;
};

/** A task is put onto these minutes. */
const SNAP = 5;

const MINUTE = 1.75;

/** The height of a name. */
const NAME = 14;
const TOP = 34;
const AXIS = 52;
const TANK = 74;

/** Beyond the last lane, for the name of what hangs in it. */
const BEYOND = 26;
/** Before the page is laid out. */
const FIRST = 900;
const LETTER = 7;

/** Of a head in a narrow lane. */
const TIGHT = 6;

/** How wide the lane of a place is, and of a cart that is out. */
const LEAST = 30;
const MOST = 74;
const KEPT = 17;

/**
 * The night running down like a ribbon. Each person is a lane; what they do is a block with its machine. What runs by
 * itself hangs on a thread in the place where it lies. The tank stands beside it as a level; what decides the end is
 * drawn heavier; the amber line is now.
 */
export function Drawing({ night, blocks, all, at, onHold, onLetGo, held }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const grip = useRef<{ block: Block; below: number } | null>(null);
  const [width, setWidth] = useState(FIRST);
  useEffect(() => {
    const watch = new ResizeObserver(([e]) => setWidth(Math.max(560, Math.floor(e.contentRect.width))));
    if (frame.current) {
      watch.observe(frame.current);
    }
    return () => watch.disconnect();
  }, []);
  const lanes = lanesOf(night, all);
  const waits = waitsOf(all);
  const names = namesOf(all.filter(named), waits, NAME / MINUTE);
  const lane = new Map<string, Place>();
  const narrow = lanes.reduce((sum, l) => sum + beside(l), 0);
  const shares = lanes.reduce((sum, l) => sum + share(l, all), 0);
  let right = AXIS;
  for (const l of lanes) {
    const room = width - AXIS - BEYOND - TANK - narrow;
    const wide = beside(l) || (room * share(l, all)) / Math.max(1, shares);
    lane.set(l.id, { x: right, wide });
    right += wide;
  }
  const where = (e: React.PointerEvent): Held | null => {
    const drawn = svg.current?.getBoundingClientRect();
    if (!drawn || !grip.current) {
      return null;
    }
    const x = e.clientX - drawn.left;
    const person = lanes.find((l) => {
      const p = lane.get(l.id);
      return l.kind === "person" && p && x >= p.x && x < p.x + p.wide;
    });
    const minute = (e.clientY - drawn.top - TOP) / MINUTE - grip.current.below;
    return {
      task: grip.current.block.id,
      person: person?.id ?? grip.current.block.people[0] ?? "",
      minute: Math.min(night.minutes, Math.max(0, Math.round(minute / SNAP) * SNAP)),
    };
  };
  const grab = (block: Block) =>
    onHold && !block.over
      ? (e: React.PointerEvent) => {
          const drawn = svg.current?.getBoundingClientRect();
          if (e.button === 0 && drawn) {
            grip.current = { block, below: (e.clientY - drawn.top - TOP) / MINUTE - block.from };
            (e.currentTarget as Element).setPointerCapture(e.pointerId);
            e.preventDefault();
          }
        }
      : undefined;
  const move = (e: React.PointerEvent) => {
    const to = where(e);
    if (to) {
      onHold?.(to);
    }
  };
  const drop = (e: React.PointerEvent) => {
    const to = where(e);
    const was = grip.current?.block;
    grip.current = null;
    if (to && was && (to.minute !== was.from || !was.people.includes(to.person))) {
      onLetGo?.(to);
    } else {
      onHold?.(null);
    }
  };
  const at0 = (id: string) => lane.get(id) ?? { x: 0, wide: 0 };
  const tank = right + BEYOND;
  const end = Math.max(60, ...all.map((b) => b.to), ...night.plan.breaks.map((r) => r.to));
  const until = Math.min(night.minutes, Math.ceil((end + 20) / 30) * 30);
  const height = TOP + until * MINUTE + 10;
  const y = (minute: number) => TOP + minute * MINUTE;
  const now = (night.now - night.from) / 60_000;
  const hours = Array.from({ length: Math.floor(until / 60) + 1 }, (_, i) => i * 60);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by the keyboard
    <div className="night" ref={frame} tabIndex={0}>
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${height}`}
        style={{ width, height }}
        role="img"
        aria-label={say(
          "tonight.drawing.label",
          "The night as lanes of people and places; the list below says the same.",
        )}
      >
        {hours.map((h) => (
          <g key={h}>
            <path d={`M${AXIS - 8} ${y(h)}H${right}`} className="night-hour" />
            <text x={AXIS - 12} y={y(h) + 5} textAnchor="end">
              {at(h)}
            </text>
          </g>
        ))}
        {lanes.map((l) => (
          <LaneHead
            key={l.id}
            lane={l}
            place={at0(l.id)}
            bottom={y(until)}
            first={lanes.filter((o) => o.name.split(" ")[0] === l.name.split(" ")[0]).length === 1}
          />
        ))}
        {night.plan.breaks
          .filter((r) => lane.has(r.person) && r.from < until)
          .map((r) => (
            <g key={`${r.person}${r.from}`} className="night-break">
              <rect
                x={at0(r.person).x + 5}
                y={y(r.from)}
                width={at0(r.person).wide - 10}
                height={(r.to - r.from) * MINUTE}
              />
              <text x={at0(r.person).x + 12} y={y(r.from) + 17}>
                {say("tonight.drawing.break", "break")}
              </text>
            </g>
          ))}
        {blocks
          .filter((b) => !b.hands)
          .map((b) => (
            <Wait
              key={b.id}
              block={b}
              place={at0(waits.get(b.id) ?? "")}
              y={y}
              name={names.get(b.id)}
              from={giver(b, all, lane)}
            />
          ))}
        {staysOf(night)
          .filter((s) => blocks.some((b) => b.machine === s.machine))
          .map((s) => (
            <Kept key={`${s.lane}${s.from}`} stay={s} place={at0(s.lane)} y={y} name={nameOf(night, s)} />
          ))}
        {blocks
          .filter((b) => b.hands)
          .flatMap((b) =>
            b.people.map((p) => (
              <Work
                key={`${b.id}${p}`}
                block={b}
                place={at0(p)}
                y={y}
                two={b.people.length > 1}
                held={held?.task === b.id}
                onGrab={grab(b)}
                onMove={move}
                onDrop={drop}
                onLost={() => {
                  grip.current = null;
                }}
              />
            )),
          )}
        <Tank night={night} x={tank} y={y} until={until} />
        {now >= 0 && now <= until && <path d={`M${AXIS - 8} ${y(now)}H${width}`} className="night-now" />}
      </svg>
      <ol className={`night-list ${blocks.length === all.length ? "sr-only" : ""}`}>
        {blocks.map((b) => (
          <li key={b.id}>
            {b.over && say("tonight.drawing.done", "done: ")}
            {at(b.from)}–{at(b.to)} {b.machine}: {toldTask(b.name)}
            {b.hands
              ? `, ${b.people.map((p) => night.people.find((n) => n.id === p)?.name ?? p).join(", ")}`
              : `, ${say("tonight.drawing.by-itself", "by itself")}`}
          </li>
        ))}
        {staysOf(night).map((s) => (
          <li key={`${s.lane}${s.from}`}>
            {at(s.from)}–{at(s.to)} {stays(night, s)}
          </li>
        ))}
      </ol>
    </div>
  );
}

type Place = { x: number; wide: number };

const nameOf = (night: Night, s: Stay) => told(night.places.find((p) => p.id === s.place)?.name ?? s.place);

const stays = (night: Night, s: Stay) =>
  say("tonight.drawing.stays", "{0}: {1} stays with it", s.machine, nameOf(night, s));

/** Who only releases needs less room than who cleans. */
function share(l: Lane, all: Block[]): number {
  const works = all.some((b) => b.people.includes(l.id) && !b.id.endsWith("/release"));
  return l.kind === "person" ? (works ? 11 : 5) : 0;
}

/** How wide a lane is beside those of people; that of a place as its longest word, so that it can be read. */
function beside(l: Lane): number {
  switch (l.kind) {
    case "person":
      return 0;
    case "kept":
      return KEPT;
    case "machine":
      return LEAST;
    default: {
      const longest = Math.max(...inTwo(told(l.name)).map((line) => line.length));
      return Math.min(MOST, Math.max(LEAST, longest * TIGHT + 8));
    }
  }
}

/** Some words in two lines, as even as they can be. */
function inTwo(words: string): string[] {
  const all = words.split(" ");
  const ways = all.slice(1).map((_, i) => [all.slice(0, i + 1).join(" "), all.slice(i + 1).join(" ")]);
  const longest = (lines: string[]) => Math.max(...lines.map((line) => line.length));
  return ways.sort((a, b) => longest(a) - longest(b))[0] ?? all;
}

/** A code without the letters that all machines of the site share. */
const short = (code: string) => code.replace(/^[A-Z]+-/, "");

/** As much of some words as there is room for. */
const cut = (words: string, wide: number, letter = LETTER) => {
  const room = Math.max(1, Math.floor(wide / letter));
  return words.length > room ? `${words.slice(0, room - 1)}…` : words;
};

/** The lane from which something was put down to run by itself. */
function giver(b: Block, all: Block[], lanes: Map<string, Place>): { x: number; to: number } | undefined {
  const before = all
    .filter((o) => o.hands && o.machine === b.machine && o.to <= b.from)
    .sort((p, q) => q.to - p.to)[0];
  const lane = before?.people[0];
  const place = lane === undefined ? undefined : lanes.get(lane);
  return before && place ? { x: place.x + place.wide - 5, to: before.to } : undefined;
}

type HeadProps = { lane: Lane; place: Place; bottom: number; first: boolean };

function LaneHead({ lane, place, bottom, first }: HeadProps) {
  const person = lane.kind === "person";
  const head = person ? (first ? lane.name.split(" ")[0] : lane.name) : told(lane.name);
  const narrow = head.length * LETTER > place.wide - 4;
  return (
    <g className={`night-lane ${lane.kind}${narrow ? " tight" : ""}`}>
      <title>{person ? lane.name : told(lane.name)}</title>
      <path d={`M${place.x} ${TOP - 6}V${bottom}`} />
      <text
        x={place.x + (person ? (narrow ? 3 : 6) : place.wide / 2)}
        y={lane.kind === "place" && narrow ? 10 : 20}
        textAnchor={person ? "start" : "middle"}
      >
        {/* What hangs in a machine has its name beside it. A place of two words stands in two lines. */}
        {lane.kind === "place" && narrow && head.includes(" ")
          ? inTwo(head).map((line, n) => (
              <tspan key={line} x={place.x + place.wide / 2} dy={n === 0 ? 0 : 14}>
                {cut(line, place.wide, TIGHT)}
              </tspan>
            ))
          : (person || lane.kind === "place") && cut(head, place.wide - 2, narrow ? TIGHT : LETTER)}
      </text>
    </g>
  );
}

type WorkProps = {
  block: Block;
  place: Place;
  y: (minute: number) => number;
  two: boolean;
  held: boolean;
  onGrab: ((e: React.PointerEvent) => void) | undefined;
  onMove: (e: React.PointerEvent) => void;
  onDrop: (e: React.PointerEvent) => void;
  onLost: () => void;
};

/** A stretch by hand: machine and what is done; the fold at its side says that two are at it. */
function Work({ block: b, place, y, two, held, onGrab, onMove, onDrop, onLost }: WorkProps) {
  const top = y(b.from);
  const tall = Math.max(4, (b.to - b.from) * MINUTE - 2);
  const words = toldTask(b.name);
  return (
    <g
      className={`night-work ${b.critical ? "critical" : ""} ${b.over ? "over" : ""} ${held ? "held" : ""} ${onGrab ? "loose" : ""}`}
      onPointerDown={onGrab}
      onPointerMove={onGrab && onMove}
      onPointerUp={onGrab && onDrop}
      onPointerCancel={onLost}
    >
      <title>
        {b.machine} {words}
        {b.usual &&
          say(
            "tonight.drawing.usual",
            "; usually {0} to {1} min, by {2} rounds",
            Math.round(b.usual.low),
            Math.round(b.usual.high),
            b.usual.nights,
          )}
      </title>
      <rect x={place.x + 5} y={top} width={Math.max(1, place.wide - 10)} height={tall} />
      {two && (
        <path d={`M${place.x + place.wide - 18} ${top}l12 0l0 ${Math.min(tall, 12)}z`} className="two" />
      )}
      {tall >= 13 && (
        <text x={place.x + 11} y={top + Math.min(15, tall - 2)}>
          <tspan className="night-machine">{short(b.machine)}</tspan>{" "}
          {cut(words, place.wide - 26 - short(b.machine).length * 8)}
        </text>
      )}
    </g>
  );
}

type WaitProps = {
  block: Block;
  place: Place;
  y: (minute: number) => number;
  /** Where its name stands; none where it is too short for one. */
  name: number | undefined;
  from: { x: number; to: number } | undefined;
};

const named = (b: Block) => (b.to - b.from) * MINUTE >= 16;

/** What runs by itself: a dotted line in its place, hung on a thread from whoever put it there. */
function Wait({ block: b, place, y, name, from }: WaitProps) {
  const middle = place.x + place.wide / 2;
  return (
    <g className={`night-wait ${b.critical ? "critical" : ""} ${b.over ? "over" : ""}`}>
      <title>
        {b.machine} {toldTask(b.name)}
      </title>
      {from && (
        <path
          d={`M${from.x} ${y(b.from) - 1}C${from.x + 30} ${y(b.from)} ${middle - 30} ${y(b.from)} ${middle} ${y(b.from)}`}
          className="thread"
        />
      )}
      <path d={`M${middle} ${y(b.from)}V${y(b.to)}`} className="dots" />
      <path d={`M${middle - 5} ${y(b.to)}h10`} className="ends" />
      {name !== undefined && (
        <text x={middle + 8} y={y(name) + 5}>
          {short(b.machine)}
        </text>
      )}
    </g>
  );
}

type KeptProps = { stay: Stay; place: Place; y: (minute: number) => number; name: string };

/** A cart or a tool that is out: a whole line from when it is fetched until it is free again, named along it. */
function Kept({ stay: s, place, y, name }: KeptProps) {
  const x = place.x + 3;
  const top = y(s.from);
  const words = `${short(s.machine)} ${name}`;
  return (
    <g className="night-kept">
      <title>{`${s.machine}: ${name}`}</title>
      <path d={`M${x} ${top}h6M${x} ${y(s.to)}h6M${x} ${top}V${y(s.to)}`} />
      <text transform={`translate(${x + 4} ${top + 5}) rotate(90)`}>
        {cut(words, y(s.to) - top - 8, TIGHT)}
      </text>
    </g>
  );
}

type TankProps = { night: Night; x: number; y: (minute: number) => number; until: number };

/** The tank over the night: the wider, the more hot water is in it. */
function Tank({ night, x, y, until }: TankProps) {
  const water = night.plan.water.filter((w) => w.at <= until);
  if (water.length === 0) {
    return null;
  }
  const hot = say("tonight.drawing.hot", "hot water").split(" ");
  const full = Math.max(...water.map((w) => w.litres), 1);
  const wide = TANK - 24;
  const least = water.reduce((a, w) => (w.litres < a.litres ? w : a));
  const line = water.map((w) => `${x + (w.litres / full) * wide} ${y(w.at)}`).join("L");
  return (
    <g className="night-tank">
      <title>
        {say(
          "tonight.drawing.tank",
          "Hot water: {0} L when full; the least is {1} L",
          Math.round(full),
          Math.round(least.litres),
        )}
      </title>
      <text x={x} y={6}>
        {hot.map((word) => (
          <tspan key={word} x={x} dy={14}>
            {word}
          </tspan>
        ))}
      </text>
      <path d={`M${x} ${y(water[0].at)}L${line}L${x} ${y(water.at(-1)?.at ?? 0)}Z`} className="level" />
      <path d={`M${x + wide} ${TOP}V${y(until)}`} className="brim" />
      {least.litres < full * 0.9 && (
        <text x={x + 3} y={y(least.at) + 5}>
          {say("tonight.drawing.liters", "{0} L", Math.round(least.litres))}
        </text>
      )}
    </g>
  );
}
