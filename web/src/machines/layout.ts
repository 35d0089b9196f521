import type { ElkNode } from "elkjs/lib/elk-api";
import type { Schemas } from "../api/client";

type TakeApart = Schemas["TakeApartMap"];

export type Placed = { id: string; x: number; y: number; width: number; height: number };
export type Drawn = {
  nodes: Placed[];
  paths: { front: string; back: string; d: string }[];
  width: number;
  height: number;
};

const LETTER = 7;
export const HEIGHT = 46;

export const widthOf = (name: string) => Math.max(96, Math.min(220, Math.round(name.length * LETTER) + 34));

/** What the layout library is asked: columns by turn, what never leaves in the last one. */
export function asked(map: TakeApart): ElkNode {
  const last = Math.max(-1, ...map.nodes.map((n) => n.turn ?? -1)) + 1;
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
    children: map.nodes.map((n) => ({
      id: n.id,
      width: widthOf(n.name),
      height: HEIGHT,
      layoutOptions: { "elk.partitioning.partition": String(n.turn ?? last) },
    })),
    edges: map.edges.map((e) => ({ id: `${e.front}>${e.back}`, sources: [e.front], targets: [e.back] })),
  };
}

/** The answer as places and lines. */
export function drawn(answer: ElkNode): Drawn {
  return {
    nodes: (answer.children ?? []).map((n) => ({
      id: n.id,
      x: n.x ?? 0,
      y: n.y ?? 0,
      width: n.width ?? 0,
      height: n.height ?? 0,
    })),
    paths: (answer.edges ?? []).flatMap((e) =>
      (e.sections ?? []).map((s) => ({
        front: e.sources[0],
        back: e.targets[0],
        d: [s.startPoint, ...(s.bendPoints ?? []), s.endPoint]
          .map((p, i) => `${i === 0 ? "M" : "L"}${Math.round(p.x)} ${Math.round(p.y)}`)
          .join(""),
      })),
    ),
    width: answer.width ?? 0,
    height: answer.height ?? 0,
  };
}
