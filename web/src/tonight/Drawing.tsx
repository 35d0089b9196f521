import { say } from "../shared/say";
import { told } from "../shared/texts";
import { type Block, type Lane, laneOfWait, lanesOf, type Night } from "./night";

type Props = {
  night: Night;
  /** What is drawn, and all there is. */
  blocks: Block[];
  all: Block[];
  at: (minute: number) => string;
};

const MINUTE = 1.75;
const TOP = 34;
const AXIS = 52;
const PERSON = 168;
const PLACE = 96;
const TANK = 74;

/**
 * The night running down like a ribbon. Each person is a lane; what they do is a block with its machine. What runs by
 * itself hangs on a thread in the place where it lies. The tank stands beside it as a level; what decides the end is
 * drawn heavier; the amber line is now.
 */
export function Drawing({ night, blocks, all, at }: Props) {
  const lanes = lanesOf(night, all);
  const x = new Map<string, number>();
  let right = AXIS;
  for (const l of lanes) {
    x.set(l.id, right);
    right += l.kind === "person" ? PERSON : PLACE;
  }
  const tank = right + 12;
  const width = tank + TANK;
  const end = Math.max(60, ...all.map((b) => b.to), ...night.plan.breaks.map((r) => r.to));
  const until = Math.min(night.minutes, Math.ceil((end + 20) / 30) * 30);
  const height = TOP + until * MINUTE + 10;
  const y = (minute: number) => TOP + minute * MINUTE;
  const now = (night.now - night.from) / 60_000;
  const hours = Array.from({ length: Math.floor(until / 60) + 1 }, (_, i) => i * 60);
  return (
    <div className="night">
      <svg
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
          <LaneHead key={l.id} lane={l} x={x.get(l.id) ?? 0} bottom={y(until)} />
        ))}
        {night.plan.breaks
          .filter((r) => x.has(r.person) && r.from < until)
          .map((r) => (
            <g key={`${r.person}${r.from}`} className="night-break">
              <rect
                x={(x.get(r.person) ?? 0) + 6}
                y={y(r.from)}
                width={PERSON - 14}
                height={(r.to - r.from) * MINUTE}
              />
              <text x={(x.get(r.person) ?? 0) + 14} y={y(r.from) + 17}>
                {say("tonight.drawing.break", "break")}
              </text>
            </g>
          ))}
        {blocks
          .filter((b) => !b.hands)
          .map((b) => (
            <Wait key={b.id} block={b} x={x.get(laneOfWait(b)) ?? 0} y={y} from={giver(b, all, x)} />
          ))}
        {blocks
          .filter((b) => b.hands)
          .flatMap((b) =>
            b.people.map((p) => (
              <Work key={`${b.id}${p}`} block={b} x={x.get(p) ?? 0} y={y} two={b.people.length > 1} />
            )),
          )}
        <Tank night={night} x={tank} y={y} until={until} />
        {now >= 0 && now <= until && <path d={`M${AXIS - 8} ${y(now)}H${width}`} className="night-now" />}
      </svg>
      <ol className={`night-list ${blocks.length === all.length ? "sr-only" : ""}`}>
        {blocks.map((b) => (
          <li key={b.id}>
            {at(b.from)}–{at(b.to)} {b.machine}: {told(b.name)}
            {b.hands
              ? `, ${b.people.map((p) => night.people.find((n) => n.id === p)?.name ?? p).join(", ")}`
              : `, ${say("tonight.drawing.by-itself", "by itself")}`}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** The lane from which something was put down to run by itself. */
function giver(b: Block, all: Block[], x: Map<string, number>): { x: number; to: number } | undefined {
  const before = all
    .filter((o) => o.hands && o.machine === b.machine && o.to <= b.from)
    .sort((p, q) => q.to - p.to)[0];
  const lane = before?.people[0];
  return before && lane !== undefined ? { x: (x.get(lane) ?? 0) + PERSON - 8, to: before.to } : undefined;
}

function LaneHead({ lane, x, bottom }: { lane: Lane; x: number; bottom: number }) {
  const wide = lane.kind === "person" ? PERSON : PLACE;
  const short =
    lane.name.length > (lane.kind === "person" ? 20 : 12)
      ? `${lane.name.slice(0, lane.kind === "person" ? 19 : 11)}…`
      : lane.name;
  return (
    <g className={`night-lane ${lane.kind}`}>
      <title>{lane.name}</title>
      <path d={`M${x} ${TOP - 6}V${bottom}`} />
      <text
        x={x + (lane.kind === "person" ? 8 : wide / 2)}
        y={20}
        textAnchor={lane.kind === "person" ? "start" : "middle"}
      >
        {lane.kind === "person" ? short : told(short)}
      </text>
    </g>
  );
}

type WorkProps = { block: Block; x: number; y: (minute: number) => number; two: boolean };

/** A stretch by hand: machine and what is done; the fold at its side says that two are at it. */
function Work({ block: b, x, y, two }: WorkProps) {
  const top = y(b.from);
  const tall = Math.max(4, (b.to - b.from) * MINUTE - 2);
  const words = told(b.name);
  const room = 22 - b.machine.length;
  return (
    <g className={`night-work ${b.critical ? "critical" : ""}`}>
      <title>
        {b.machine} {words}
      </title>
      <rect x={x + 6} y={top} width={PERSON - 14} height={tall} />
      {two && <path d={`M${x + PERSON - 20} ${top}l12 0l0 ${Math.min(tall, 12)}z`} className="two" />}
      {tall >= 13 && (
        <text x={x + 12} y={top + Math.min(15, tall - 2)}>
          <tspan className="night-machine">{b.machine}</tspan>{" "}
          {words.length > room ? `${words.slice(0, room - 1)}…` : words}
        </text>
      )}
    </g>
  );
}

type WaitProps = {
  block: Block;
  x: number;
  y: (minute: number) => number;
  from: { x: number; to: number } | undefined;
};

/** What runs by itself: a dotted line in its place, hung on a thread from whoever put it there. */
function Wait({ block: b, x, y, from }: WaitProps) {
  const middle = x + PLACE / 2;
  return (
    <g className={`night-wait ${b.critical ? "critical" : ""}`}>
      <title>
        {b.machine} {told(b.name)}
      </title>
      {from && (
        <path
          d={`M${from.x} ${y(b.from) - 1}C${from.x + 30} ${y(b.from)} ${middle - 30} ${y(b.from)} ${middle} ${y(b.from)}`}
          className="thread"
        />
      )}
      <path d={`M${middle} ${y(b.from)}V${y(b.to)}`} className="dots" />
      <path d={`M${middle - 5} ${y(b.to)}h10`} className="ends" />
      {(b.to - b.from) * MINUTE >= 16 && (
        <text x={middle + 8} y={(y(b.from) + y(b.to)) / 2 + 5}>
          {b.machine.replace(/^[A-Z]+-/, "")}
        </text>
      )}
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
      <text x={x} y={20}>
        {say("tonight.drawing.hot", "hot water")}
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
