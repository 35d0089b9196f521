import ELK from "elkjs/lib/elk.bundled.js";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { asked, type Drawn, drawn } from "./layout";

type Props = {
  map: Schemas["TakeApartMap"];
  picked: string | null;
  /** Parts that the picked energy reaches. */
  lit: string[];
  onPick: (id: string) => void;
};

const elk = new ELK();

/** Names of parts are read at this share of their size. */
const SMALLEST = 0.75;

/** The parts in columns by the turn in which they come off, with a line from each to what it frees. */
export function MapView({ map, picked, lit, onPick }: Props) {
  const [d, setDrawn] = useState<Drawn | null>(null);
  const frame = useRef<HTMLElement>(null);
  const [room, setRoom] = useState(0);
  const there = d !== null;
  useEffect(() => {
    const watch = new ResizeObserver(([e]) => setRoom(e.contentRect.width));
    if (there && frame.current) {
      watch.observe(frame.current);
    }
    return () => watch.disconnect();
  }, [there]);
  useEffect(() => {
    let current = true;
    elk.layout(asked(map)).then((answer) => {
      if (current) {
        setDrawn(drawn(answer, map));
      }
    });
    return () => {
      current = false;
    };
  }, [map]);
  if (!d) {
    return <p className="page-state">{say("machines.map-view.laying-it-out", "Laying it out…")}</p>;
  }
  // A wide map is drawn smaller, down to what can still be read; only a wider one is scrolled.
  const zoom = room === 0 ? 1 : Math.min(1, Math.max(SMALLEST, room / d.width));
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolled region has to take the keyboard
    <section className="map" ref={frame} aria-label={say("machines.map-view.parts", "Parts")} tabIndex={0}>
      <div className="map-sheet" style={{ width: d.width, height: d.height, zoom }}>
        <svg width={d.width} height={d.height} role="presentation">
          {d.paths.map((p) => (
            <path
              key={`${p.front}>${p.back}`}
              d={p.d}
              className={picked === p.front || picked === p.back ? "frees near" : "frees"}
            />
          ))}
        </svg>
        {d.frames.map((f) => (
          <div
            key={f.id}
            className="map-go"
            style={{ left: f.x, top: f.y, width: f.width, height: f.height }}
            title={told(f.place)}
          >
            {say("machines.map-view.in-one-go", "to {0}", told(f.place))}
          </div>
        ))}
        {d.nodes.map((at) => {
          const n = map.nodes.find((x) => x.id === at.id);
          if (!n) {
            return null;
          }
          const look = [
            "map-part",
            n.contact ? "contact" : "",
            n.guard ? "guard" : "",
            n.aside ? "aside" : "",
            n.turn === undefined ? "stays" : "",
            lit.includes(n.id) ? "lit" : "",
          ];
          return (
            <button
              key={n.id}
              type="button"
              className={look.filter(Boolean).join(" ")}
              style={{ left: at.x, top: at.y, width: at.width, height: at.height }}
              aria-pressed={picked === n.id}
              onClick={() => onPick(n.id)}
            >
              {n.count > 1 && <span className="map-count">{n.count} × </span>}
              {told(n.name)}
              {n.harms && <b aria-hidden="true"> △</b>}
              <span className="map-energies" aria-hidden="true">
                {map.energies.map((e, i) => e.parts.includes(n.id) && <i key={e.id}>{i + 1}</i>)}
              </span>
              <span className="sr-only">
                {n.contact ? say("machines.map-view.food-contact", ", food-contact") : ""}
                {n.guard ? say("machines.map-view.a-guard", ", a guard") : ""}
                {n.harms ? say("machines.map-view.can-hurt", ", can hurt") : ""}
                {n.turn === undefined
                  ? say("machines.map-view.stays-on-the-machine", ", stays on the machine")
                  : say("machines.map-view.comes-off-in-turn", ", comes off in turn {0}", n.turn + 1)}
              </span>
            </button>
          );
        })}
      </div>
    </section>
  );
}
