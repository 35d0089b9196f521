import ELK from "elkjs/lib/elk.bundled.js";
import { expect, test } from "vitest";
import { asked, drawn } from "./layout";

const node = (id: string, turn?: number, place?: string) => ({
  id,
  place,
  name: id,
  count: 1,
  turn,
  contact: false,
  guard: false,
  aside: false,
  harms: false,
  sentences: [],
  surfaces: [],
});

test("what comes off first stands left, the body below, and no two lie on each other", async () => {
  const map = {
    nodes: [node("body"), node("seal", 2), node("hopper", 1), node("door", 0), node("tray", 0)],
    edges: [
      { front: "door", back: "hopper" },
      { front: "hopper", back: "seal" },
    ],
    energies: [],
  };
  const d = drawn(await new ELK().layout(asked(map)), map);
  const at = (id: string) => d.nodes.find((n) => n.id === id) ?? d.nodes[0];
  expect(at("door").x).toBeLessThan(at("hopper").x);
  expect(at("hopper").x).toBeLessThan(at("seal").x);
  expect(at("body").y).toBeGreaterThan(Math.max(...["seal", "tray", "door"].map((id) => at(id).y)));
  expect(at("tray").x).toBeLessThan(at("hopper").x);
  for (const a of d.nodes) {
    for (const b of d.nodes) {
      const apart =
        a.id === b.id ||
        a.x + a.width <= b.x ||
        b.x + b.width <= a.x ||
        a.y + a.height <= b.y ||
        b.y + b.height <= a.y;
      expect(apart, `${a.id} on ${b.id}`).toBe(true);
    }
  }
  expect(d.paths).toHaveLength(2);
});

test("what comes off in one turn and goes to one place stands in one frame", async () => {
  const map = {
    nodes: [
      node("tray", 0, "sink 2"),
      node("guard", 0, "rack"),
      node("rod", 0, "sink 2"),
      node("seal", 1, "sink 2"),
    ],
    edges: [{ front: "rod", back: "seal" }],
    energies: [],
  };
  const d = drawn(await new ELK().layout(asked(map)), map);
  expect(d.frames.map((f) => f.place)).toEqual(["sink 2"]);
  const [frame] = d.frames;
  for (const n of d.nodes) {
    const inside =
      n.x >= frame.x &&
      n.y >= frame.y &&
      n.x + n.width <= frame.x + frame.width &&
      n.y + n.height <= frame.y + frame.height;
    expect(inside, n.id).toBe(n.id === "tray" || n.id === "rod");
  }
  expect(d.paths.map((p) => p.front)).toEqual(["rod"]);
});
