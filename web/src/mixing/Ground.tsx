import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { degrees, say } from "../shared/say";
import { shownIn } from "../shared/temperature";
import type { Band, Card, Checked, Way } from "../solution/table";

type Props = {
  card: Card;
  celsius: number;
  /** A reading, where one was entered. */
  checked?: Checked;
  readCelsius?: number;
  way?: Way;
  /** Strength after each of the next hours, as it fades here; none where that is not known or not asked for. */
  hours?: number[];
  /** What it is read as, for instance free chlorine. */
  what: string;
  onPick: (mgPerL: number, celsius: number, dragging: boolean) => void;
};

const LEFT = 46;
const RIGHT = 610;
const TOP = 12;
const BOTTOM = 330;
const HOTTEST = 60;

/** How far the strengths go on paper: a little beyond what is permitted. */
const reach = (bands: Band[]) => {
  const most = Math.max(...bands.map((b) => b.most), 10);
  return most * 1.25;
};

/**
 * Where a solution stands: strength across, temperature up. What is permitted is the pale ground, what a reading
 * can decide its inner field. The aim is dragged on it, or moved by the arrow keys.
 */
export function Ground({ card, celsius, checked, readCelsius, way, hours = [], what, onPick }: Props) {
  const box = useRef<SVGSVGElement>(null);
  const far = reach(card.bands);
  const x = (mg: number) => LEFT + (Math.max(0, Math.min(mg, far)) / far) * (RIGHT - LEFT);
  const y = (c: number) => BOTTOM - (Math.max(0, Math.min(c, HOTTEST)) / HOTTEST) * (BOTTOM - TOP);
  const unit = degrees();
  const step = far > 100 ? 5 : far > 40 ? 1 : 0.5;
  const aim = card.target;

  function pick(e: PointerEvent) {
    const at = box.current?.getBoundingClientRect();
    if (at && e.buttons === 1) {
      const px = ((e.clientX - at.left) / at.width) * 640;
      const py = ((e.clientY - at.top) / at.height) * 372;
      const mg = ((px - LEFT) / (RIGHT - LEFT)) * far;
      const c = ((BOTTOM - py) / (BOTTOM - TOP)) * HOTTEST;
      onPick(
        Math.max(step, Math.round(mg / step) * step),
        Math.max(1, Math.min(HOTTEST, Math.round(c))),
        true,
      );
    }
  }
  function key(e: KeyboardEvent) {
    const move = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    }[e.key];
    if (move) {
      e.preventDefault();
      onPick(
        Math.max(step, (aim ?? step) + move[0]),
        Math.max(1, Math.min(HOTTEST, celsius + move[1])),
        false,
      );
    }
  }

  const sorted = [...card.bands].sort((a, b) => a.from - b.from);
  const ground = sorted.map((b, i) => {
    const to = sorted[i + 1]?.from ?? HOTTEST;
    // Of bands that hold at a temperature the one that asks for least counts.
    const least = Math.min(...sorted.slice(0, i + 1).map((s) => s.least));
    return { from: b.from, to, least, most: b.most };
  });
  const top = ground.at(-1);
  const outline = `M${[
    ...ground.map((g) => `${x(g.least)} ${y(g.from)}V${y(g.to)}`),
    ...ground.toReversed().map((g) => `${x(g.most)} ${y(g.to)}V${y(g.from)}`),
  ].join("L")}Z`;
  const marks = [...new Set([...ground.map((g) => g.least), ...ground.map((g) => g.most)])].sort(
    (a, b) => a - b,
  );
  // Only where the ground changes its width.
  const temps = ground
    .filter((g, i) => g.least !== ground[i - 1]?.least || g.most !== ground[i - 1]?.most)
    .map((g) => g.from);
  const readY = y(readCelsius ?? celsius);
  const tone = checked ? { IN: "in", OUT: "out", CANNOT_TELL: "unsure" }[checked.outcome] : "";
  return (
    <div
      className="ground"
      role="application"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: an application takes keys, and has to be reached by them
      tabIndex={0}
      aria-label={say(
        "mixing.ground.map",
        "Map of strength and temperature. Aim: {0} mg/L at {1} {2}. Arrow keys move it.",
        aim ?? "–",
        shownIn(unit, celsius),
        unit,
      )}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        pick(e);
      }}
      onPointerMove={pick}
      onKeyDown={key}
    >
      <svg ref={box} viewBox="0 0 640 372" aria-hidden="true">
        <defs>
          <pattern id="off" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V7" stroke="var(--hatch)" strokeWidth="1" opacity="0.55" />
          </pattern>
        </defs>
        <rect x={LEFT} y={TOP} width={RIGHT - LEFT} height={BOTTOM - TOP} fill="url(#off)" />
        <path d={outline} className="ground-in" />
        {top && (
          <text
            x={(x(top.least) + x(top.most)) / 2}
            y={TOP + 24}
            textAnchor="middle"
            className="ground-enough"
          >
            {say("mixing.ground.enough", "enough")}
          </text>
        )}
        <text x={LEFT + 12} y={BOTTOM - 12} className="ground-weak">
          {say("mixing.ground.too-weak", "too weak or too cold")}
        </text>
        {card.low !== undefined && card.high !== undefined && (
          <rect
            x={x(card.low)}
            y={TOP}
            width={Math.max(1, x(card.high) - x(card.low))}
            height={y(ground[0]?.from ?? 0) - TOP}
            className="ground-working"
          />
        )}
        <path d={`M${LEFT} ${TOP}V${BOTTOM}H${RIGHT}`} className="ground-axis" />
        {temps.map((t) => (
          <g key={t}>
            <path d={`M${LEFT - 5} ${y(t)}H${LEFT}`} className="ground-axis" />
            <text x={LEFT - 9} y={y(t) + 5} textAnchor="end">
              {shownIn(unit, t)}
            </text>
          </g>
        ))}
        <text x={LEFT - 9} y={TOP + 8} textAnchor="end">
          {unit}
        </text>
        {marks.map((m, i) => (
          <g key={m}>
            <path d={`M${x(m)} ${BOTTOM}v5`} className="ground-axis" />
            {(i === 0 || x(m) - x(marks[i - 1]) > 26) && (
              <text x={x(m)} y={BOTTOM + 19} textAnchor="middle">
                {m}
              </text>
            )}
          </g>
        ))}
        <text x={(LEFT + RIGHT) / 2} y={BOTTOM + 38} textAnchor="middle">
          {say("mixing.ground.mg-l", "{0}, mg/L", what)}
        </text>
        {aim !== undefined && hours.length > 0 && (
          <g className="ground-hours">
            <path d={`M${x(aim)} ${y(celsius)}${hours.map((h) => `L${x(h)} ${y(celsius)}`).join("")}`} />
            {hours.map((h, i) => (
              <path key={`${i}h`} d={`M${x(h)} ${y(celsius) - 5}v10`} />
            ))}
            <text x={x(hours.at(-1) ?? 0) - 4} y={y(celsius) + 20} textAnchor="end">
              {say(
                "mixing.ground.after-hours",
                "after {0} h: {1}",
                hours.length,
                Math.round(hours.at(-1) ?? 0),
              )}
            </text>
          </g>
        )}
        {aim !== undefined && (
          <g className="ground-aim">
            <path d={`M${x(aim)} ${BOTTOM}V${y(celsius)}H${LEFT}`} />
            <path
              d={`M${x(aim)} ${y(celsius) - 9}l9 9l-9 9l-9 -9z`}
              className={card.problems.length > 0 ? "out" : "in"}
            />
            <text x={x(aim) + 14} y={y(celsius) - 8}>
              {say("mixing.ground.aim", "aim {0}", aim)}
            </text>
          </g>
        )}
        {checked && (
          <g className={`ground-read ${tone}`}>
            <path
              d={`M${x(checked.low)} ${readY}H${x(checked.high ?? far)}M${x(checked.low)} ${readY - 7}v14${
                checked.high === undefined ? "" : `M${x(checked.high)} ${readY - 7}v14`
              }`}
            />
            <text x={x(checked.low)} y={readY + 22}>
              {say(
                "mixing.ground.read",
                "read: {0} to {1}",
                Math.round(checked.low * 10) / 10,
                checked.high === undefined ? "…" : Math.round(checked.high * 10) / 10,
              )}
            </text>
            {way?.low !== undefined && way.high !== undefined && (
              <>
                <path
                  d={`M${x((checked.low + (checked.high ?? far)) / 2)} ${readY}L${x((way.low + way.high) / 2)} ${y(way.celsius ?? readCelsius ?? celsius)}`}
                  className="ground-path"
                />
                <path
                  d={`M${x(way.low)} ${y(way.celsius ?? readCelsius ?? celsius)}H${x(way.high)}`}
                  className="ground-after"
                />
              </>
            )}
          </g>
        )}
      </svg>
    </div>
  );
}
