import type { CoreText, Schemas } from "../api/client";

export type Night = Schemas["TonightView"];
export type PlacedTask = Schemas["TaskDocument"];

/** A task with all that is known of it. */
export type Lane = { id: string; name: string; kind: "person" | "place" | "kept" | "machine" };
export type Block = PlacedTask & {
  name: string | CoreText;
  machine: string;
  critical: boolean;
  /** What is over stays where it was. */
  over: boolean;
  usual?: Usual;
};
export type Usual = Schemas["Usual"];
export type Move = Schemas["NightMove"];

/** A task that is held in the hand, and where it is held. */
export type Held = { task: string; person: string; minute: number };

/** The subject of an entry about a thing and a person. */
export const about = (thing: string, person: string) => (person === "" ? thing : `${thing}@${person}`);

/** Every placed task with its name and machine. */
export function blocksOf(night: Night, placed: PlacedTask[] = night.plan.tasks): Block[] {
  const tasks = new Map(night.tasks.map((t) => [t.id, t]));
  const machines = new Map(night.cleans.map((c) => [c.procedure, c.machine]));
  const critical = new Set(night.plan.critical);
  const over: Block[] = (night.done ?? []).map((d) => ({
    ...d,
    place: undefined,
    machine: machines.get(d.group) ?? "",
    critical: false,
    over: true,
  }));
  return [
    ...over,
    ...placed.map((t) => {
      const task = tasks.get(t.id);
      return {
        ...t,
        name: task?.name ?? t.id,
        machine: machines.get(task?.group ?? "") ?? "",
        critical: critical.has(t.id),
        over: false,
        usual: task?.usual ?? undefined,
      };
    }),
  ];
}

/** What somebody has to be told, person by person: what is new to them, and what is not theirs any more. */
export function movesOf(night: Night, moves: Move[]): { person: string; name: string; moves: Move[] }[] {
  return night.people
    .map((p) => ({
      person: p.id,
      name: p.name,
      moves: moves.filter((m) => m.now?.people.includes(p.id) || m.was?.people.includes(p.id)),
    }))
    .filter((p) => p.moves.length > 0);
}

/** A cart or a tool that stays with a clean from one of its tasks to another, and its lane. */
export type Stay = { lane: string; place: string; machine: string; from: number; to: number };

/** Each in the first lane that is free: there are as many as there are carts and tools out at once. */
export function staysOf(night: Night): Stay[] {
  const machines = new Map(night.cleans.map((c) => [c.procedure, c.machine]));
  const ends: number[] = [];
  return (night.kept ?? []).map((k) => {
    const free = ends.findIndex((end) => end <= k.from);
    const at = free < 0 ? ends.length : free;
    ends[at] = k.to;
    return { ...k, machine: machines.get(k.group) ?? "", lane: `kept ${String(at).padStart(2, "0")}` };
  });
}

/** Who has something to do, then the places in which something lies by itself or which stay with a machine. */
export function lanesOf(night: Night, blocks: Block[]): Lane[] {
  const busy = new Set(blocks.flatMap((b) => b.people));
  const lane = waitsOf(blocks);
  const held = new Set(lane.values());
  const inside = [...held].filter((h) => h.startsWith(AT)).sort();
  return [
    ...night.people
      .filter((p) => busy.has(p.id))
      .map((p) => ({ id: p.id, name: p.name, kind: "person" as const })),
    ...night.places
      .filter((p) => held.has(p.id))
      .map((p) => ({ id: p.id, name: p.name, kind: "place" as const })),
    ...[...new Set(staysOf(night).map((s) => s.lane))]
      .sort()
      .map((id) => ({ id, name: "", kind: "kept" as const })),
    ...inside.map((h) => ({
      id: h,
      name: [...new Set(blocks.filter((b) => lane.get(b.id) === h).map((b) => b.machine))].join(", "),
      kind: "machine" as const,
    })),
  ];
}

const AT = "at ";

/** Minutes between two that hang one below the other, so that their names stay apart. */
const APART = 14;

/**
 * In which lane each thing hangs that runs by itself: in the place where it lies; what stands in its own machine
 * shares lanes with others of that kind, one below the other, since each has its machine beside it.
 */
export function waitsOf(blocks: Block[]): Map<string, string> {
  const lane = new Map<string, string>();
  const ends: number[] = [];
  for (const b of [...blocks].filter((x) => !x.hands).sort((p, q) => p.from - q.from)) {
    if (b.place) {
      lane.set(b.id, b.place);
      continue;
    }
    const free = ends.findIndex((end) => end + APART <= b.from);
    const at = free < 0 ? ends.length : free;
    ends[at] = b.to;
    lane.set(b.id, `${AT}${String(at).padStart(2, "0")}`);
  }
  return lane;
}

/** The minute at which each thing that runs by itself is named: in its middle, below the name before it. */
export function namesOf(blocks: Block[], lane: Map<string, string>, apart: number): Map<string, number> {
  const last = new Map<string, number>();
  const names = new Map<string, number>();
  const middle = (b: Block) => (b.from + b.to) / 2;
  for (const b of blocks.filter((x) => !x.hands).sort((p, q) => middle(p) - middle(q))) {
    const at = lane.get(b.id) ?? "";
    const minute = Math.max(middle(b), (last.get(at) ?? Number.NEGATIVE_INFINITY) + apart);
    last.set(at, minute);
    names.set(b.id, minute);
  }
  return names;
}

/** When each machine is ready, the latest first. */
export function readyOf(night: Night, blocks: Block[]) {
  const now = Math.floor((night.now - night.from) / 60_000);
  return night.cleans
    .map((c) => {
      const own = blocks.filter((b) => b.machine === c.machine);
      const ready = own.length === 0 ? undefined : Math.max(...own.map((b) => b.to));
      return {
        ...c,
        ready,
        // Should a swab fail: from when it is ready, or from now, once it is.
        fitsAgain: ready !== undefined && Math.max(ready, now) + c.again <= c.wanted,
        over: own.length > 0 && own.every((b) => b.over),
        left: night.plan.unplaced.find((u) => u.id === c.procedure),
      };
    })
    .sort((a, b) => (b.ready ?? 9999) - (a.ready ?? 9999));
}
