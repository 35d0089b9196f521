import type { ElkNode } from "elkjs/lib/elk-api";
import type { Schemas } from "../api/client";

type TakeApart = Schemas["TakeApartMap"];
type Part = TakeApart["nodes"][number];

export type Placed = { id: string; x: number; y: number; width: number; height: number };
export type Drawn = {
  nodes: Placed[];
  /** What comes off in one go, with where it goes. */
  frames: (Placed & { place: string })[];
  paths: { front: string; back: string; d: string }[];
  width: number;
  height: number;
};

const LETTER = 7;
export const HEIGHT = 46;
/** Between the parts of one go, and around them. */
const GAP = 6;
/** For the words over them. */
const HEAD = 22;

export const widthOf = (name: string) => Math.max(96, Math.min(220, Math.round(name.length * LETTER) + 34));

/** Parts that come off in one turn and go to one place, two or more together; the others by themselves. */
export function goes(map: TakeApart): Map<string, Part[]> {
  const all = new Map<string, Part[]>();
  for (const n of map.nodes) {
    const key = n.turn === undefined || !n.place || n.aside ? n.id : `${n.turn} ${n.place}`;
    all.set(key, [...(all.get(key) ?? []), n]);
  }
  return new Map([...all].map(([key, parts]) => [parts.length > 1 ? key : parts[0].id, parts]));
}

/** What never leaves and has nothing in front of it: it stands in a row below, and makes no map wider. */
const stays = (map: TakeApart) =>
  map.nodes.filter(
    (n) => n.turn === undefined && map.edges.every((e) => e.front !== n.id && e.back !== n.id),
  );

/** What the layout library is asked: columns by turn, what never leaves in the last one; one go is one box. */
export function asked(map: TakeApart): ElkNode {
  const last = Math.max(-1, ...map.nodes.map((n) => n.turn ?? -1)) + 1;
  const together = goes(map);
  const below = new Set(stays(map));
  const boxOf = new Map([...together].flatMap(([key, parts]) => parts.map((p) => [p.id, key] as const)));
  return {
    id: "machine",
    layoutOptions: {
      "elk.algorithm": "layered",
      "elk.direction": "RIGHT",
      "elk.partitioning.activate": "true",
      "elk.layered.spacing.nodeNodeBetweenLayers": "34",
      "elk.spacing.nodeNode": "14",
      "elk.edgeRouting": "ORTHOGONAL",
      "elk.separateConnectedComponents": "false",
    },
    children: [...together]
      .filter(([, parts]) => !below.has(parts[0]))
      .map(([key, parts]) => {
        const wide = Math.max(...parts.map((p) => widthOf(p.name)));
        const one = parts.length === 1;
        return {
          id: key,
          width: one ? wide : wide + 2 * GAP,
          height: one ? HEIGHT : HEAD + parts.length * (HEIGHT + GAP),
          layoutOptions: { "elk.partitioning.partition": String(parts[0].turn ?? last) },
        };
      }),
    edges: map.edges.map((e) => ({
      id: `${e.front}>${e.back}`,
      sources: [boxOf.get(e.front) ?? e.front],
      targets: [boxOf.get(e.back) ?? e.back],
    })),
  };
}

/** The answer as places and lines. */
export function drawn(answer: ElkNode, map: TakeApart): Drawn {
  const nodes: Placed[] = [];
  const frames: Drawn["frames"] = [];
  let width = answer.width ?? 0;
  let x = GAP;
  const foot = (answer.height ?? 0) + HEAD;
  const below = stays(map);
  for (const n of below) {
    nodes.push({ id: n.id, x, y: foot, width: widthOf(n.name), height: HEIGHT });
    x += widthOf(n.name) + 14;
    width = Math.max(width, x);
  }
  for (const [key, parts] of goes(map)) {
    if (below.includes(parts[0])) {
      continue;
    }
    const box = answer.children?.find((n) => n.id === key);
    const at = { x: box?.x ?? 0, y: box?.y ?? 0, width: box?.width ?? 0, height: box?.height ?? 0 };
    if (parts.length === 1) {
      nodes.push({ id: parts[0].id, ...at });
    } else {
      frames.push({ id: key, place: parts[0].place ?? "", ...at });
      parts.forEach((p, i) => {
        nodes.push({
          id: p.id,
          x: at.x + GAP,
          y: at.y + HEAD + i * (HEIGHT + GAP),
          width: at.width - 2 * GAP,
          height: HEIGHT,
        });
      });
    }
  }
  return {
    nodes,
    frames,
    paths: (answer.edges ?? []).flatMap((e) => {
      const [front, back] = e.id.split(">");
      return (e.sections ?? []).map((s) => ({
        front,
        back,
        d: [s.startPoint, ...(s.bendPoints ?? []), s.endPoint]
          .map((p, i) => `${i === 0 ? "M" : "L"}${Math.round(p.x)} ${Math.round(p.y)}`)
          .join(""),
      }));
    }),
    width,
    height: below.length > 0 ? foot + HEIGHT + GAP : (answer.height ?? 0),
  };
}
