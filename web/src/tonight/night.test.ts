import { describe, expect, it } from "vitest";
import { blocksOf, lanesOf, type Night, namesOf, readyOf, staysOf, waitsOf } from "./night";

const task = (id: string, people: string[], place: string | null, from: number, to: number) => ({
  id,
  people,
  place,
  from,
  to,
  hands: people.length > 0,
});

const NIGHT = {
  people: [
    { id: "1", name: "Ilse" },
    { id: "2", name: "Maren" },
    { id: "3", name: "Nobody" },
  ],
  places: [
    { id: "sink", name: "sink", slots: 3 },
    { id: "bath", name: "bath", slots: 1 },
  ],
  tasks: [
    { id: "a/1", name: "Remove: blade", group: "a" },
    { id: "a/2", name: "Soak: tray", group: "a" },
    { id: "b/1", name: "Cool down: heat", group: "b" },
  ],
  cleans: [
    { procedure: "a", machine: "QK-SL1", wanted: 480, again: 60 },
    { procedure: "b", machine: "QK-OV1", wanted: 100, again: 120 },
    { procedure: "c", machine: "QK-FL1", wanted: 480, again: 30 },
  ],
  from: 0,
  now: 0,
  plan: {
    tasks: [
      task("a/1", ["2"], null, 0, 20),
      task("a/2", [], "sink", 20, 60),
      task("b/1", [], null, 0, 120),
      task("gone", ["1"], null, 5, 6),
    ],
    critical: ["b/1"],
    unplaced: [{ id: "c", must: true }],
  },
} as unknown as Night;

describe("the night as it is drawn", () => {
  const blocks = blocksOf(NIGHT);

  it("names each block, its machine and whether it decides", () => {
    expect(blocks.map((b) => [b.name, b.machine, b.critical])).toEqual([
      ["Remove: blade", "QK-SL1", false],
      ["Soak: tray", "QK-SL1", false],
      ["Cool down: heat", "QK-OV1", true],
      ["gone", "", false],
    ]);
  });

  it("has a lane for whoever does something and wherever something lies", () => {
    expect(lanesOf(NIGHT, blocks).map((l) => `${l.kind} ${l.name}`)).toEqual([
      "person Ilse",
      "person Maren",
      "place sink",
      "machine QK-OV1",
    ]);
    expect(waitsOf(blocks).get(blocks[1].id)).toBe("sink");
  });

  it("hangs what stands in its own machine below one another, apart enough to read both names", () => {
    const wait = (machine: string, from: number, to: number) => ({
      ...blocks[2],
      id: `${machine}/${from}`,
      machine,
      from,
      to,
    });
    const lanes = waitsOf([wait("QK-A1", 0, 60), wait("QK-B1", 60, 90), wait("QK-C1", 74, 80)]);
    expect(lanes.get("QK-C1/74")).toBe(lanes.get("QK-A1/0"));
    expect(lanes.get("QK-B1/60")).not.toBe(lanes.get("QK-A1/0"));
  });

  it("has a lane for each cart that is out at once, and one again for the next machine", () => {
    const out = {
      ...NIGHT,
      places: [...NIGHT.places, { id: "cart", name: "parts cart", slots: 2 }],
      kept: [
        { place: "cart", group: "a", from: 0, to: 60 },
        { place: "cart", group: "b", from: 30, to: 90 },
        { place: "cart", group: "c", from: 60, to: 80 },
      ],
    } as unknown as Night;
    expect(staysOf(out).map((s) => [s.machine, s.lane])).toEqual([
      ["QK-SL1", "kept 00"],
      ["QK-OV1", "kept 01"],
      ["QK-FL1", "kept 00"],
    ]);
    expect(lanesOf(out, blocks).filter((l) => l.kind === "kept")).toHaveLength(2);
    // A server of before says nothing of carts.
    expect(staysOf(NIGHT)).toEqual([]);
  });

  it("names what lies in one place one below the other", () => {
    const soak = (id: string, from: number) => ({ ...blocks[1], id, from, to: from + 10 });
    const all = [soak("x", 0), soak("y", 2), soak("z", 40)];
    expect([...namesOf(all, waitsOf(all), 8).values()]).toEqual([5, 13, 45]);
  });

  it("says what is ready when, what is not planned first", () => {
    const ready = readyOf(NIGHT, blocks);
    expect(ready.map((r) => [r.machine, r.ready])).toEqual([
      ["QK-FL1", undefined],
      ["QK-OV1", 120],
      ["QK-SL1", 60],
    ]);
    expect(ready[0].left?.must).toBe(true);
    expect(ready[1].wanted - (ready[1].ready ?? 0)).toBe(-20);
  });

  it("knows whether there is time for a second clean, from when it is ready or from now", () => {
    const again = (now: number) =>
      readyOf({ ...NIGHT, now: now * 60_000 }, blocks).map((r) => [r.machine, r.fitsAgain]);
    expect(again(0)).toEqual([
      ["QK-FL1", false],
      ["QK-OV1", false],
      ["QK-SL1", true],
    ]);
    expect(again(420)).toContainEqual(["QK-SL1", true]);
    expect(again(421)).toContainEqual(["QK-SL1", false]);
  });
});
