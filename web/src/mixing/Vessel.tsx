import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { say, volumes } from "../shared/say";
import { volumeIn } from "../shared/volume";
import { useHand } from "./useHand";

type Props = { litres: number; brim: number; name: string; onLitres: (litres: number) => void };

const TOP = 10;
const BOTTOM = 150;

/** The vessel is the control: its level is dragged, or moved by the arrow keys. */
export function Vessel({ litres: settled, brim, name, onLitres }: Props) {
  const [{ litres }, move] = useHand({ litres: settled }, (to) => onLitres(to.litres));
  const box = useRef<SVGSVGElement>(null);
  const y = (l: number) => BOTTOM - (Math.max(0, Math.min(l, brim)) / brim) * (BOTTOM - TOP);
  const step = brim > 20 ? 1 : brim > 5 ? 0.5 : 0.1;
  const put = (l: number, dragging: boolean) =>
    move({ litres: Math.max(step, Math.min(brim, Math.round(l / step) * step)) }, dragging);
  function drag(e: PointerEvent) {
    const at = box.current?.getBoundingClientRect();
    if (at && e.buttons === 1) {
      const inside = ((e.clientY - at.top) / at.height) * 165;
      put(((BOTTOM - inside) / (BOTTOM - TOP)) * brim, true);
    }
  }
  function key(e: KeyboardEvent) {
    const by = e.key === "ArrowUp" ? step : e.key === "ArrowDown" ? -step : 0;
    if (by !== 0) {
      e.preventDefault();
      put(litres + by, false);
    }
  }
  const mark = (l: number) => Math.round(volumeIn(volumes(), l) * 10) / 10;
  const marks = [0.25, 0.5, 0.75, 1].map((m) => m * brim);
  return (
    <div
      className="vessel"
      role="slider"
      tabIndex={0}
      aria-label={say("mixing.vessel.liters-in", "Liters in {0}", name)}
      aria-valuemin={0}
      aria-valuemax={brim}
      aria-valuenow={litres}
      aria-valuetext={say("mixing.vessel.of", "{0} L of {1} L", litres, brim)}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        drag(e);
      }}
      onPointerMove={drag}
      onKeyDown={key}
    >
      <svg ref={box} viewBox="0 0 244 165" aria-hidden="true">
        <rect x="20" y={y(litres)} width="140" height={BOTTOM - y(litres)} className="vessel-water" />
        <path d={`M20 ${y(litres)}q12 -5 23 0t23 0t23 0t23 0t23 0t25 0`} className="vessel-line" />
        <path d="M20 6V142Q20 152 30 152H150Q160 152 160 142V6" className="vessel-wall" />
        {marks.map((m) => (
          <g key={m}>
            <path d={`M150 ${y(m)}H160`} className="vessel-wall" />
            <text x="168" y={y(m) + 5}>
              {m === brim ? say("mixing.vessel.brim", "{0} brim", mark(m)) : mark(m)}
            </text>
          </g>
        ))}
        <text x="90" y={Math.min(BOTTOM - 8, y(litres) + 30)} textAnchor="middle" className="vessel-in">
          {say("mixing.vessel.in", "{0} L", Math.round(litres * 10) / 10)}
        </text>
      </svg>
    </div>
  );
}
