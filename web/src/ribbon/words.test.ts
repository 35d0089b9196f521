import { describe, expect, it } from "vitest";
import table from "../testing/actions.json";
import type { Step } from "./draft";
import { middles, rowsOf } from "./rows";
import { type Actions, editLine, namesOf, summary, verbOf } from "./words";

const names = namesOf(
  {
    code: "M",
    name: "Machine",
    version: 1,
    allergens: [],
    configuration: "",
    energies: [{ id: "cord", name: "Motor on its cord", kind: "CORD" }],
    passages: [],
    fittings: [],
    programs: [],
    options: [],
    checks: [{ id: "gap", name: "Gap" }],
    parts: ["Blade", "Carriage", "Pusher", "Collar"].map((name) => ({
      id: name.toLowerCase(),
      name,
      count: 1,
      removable: true,
      shifts: false,
      surfaces: [],
    })),
  },
  [
    {
      id: "h12",
      name: "Halvern H12",
      kind: "chlorine",
      sanitizes: true,
      washes: false,
      uses: [],
      organisms: [],
      ppe: [],
      neverWith: [],
      notOn: [],
      pricePerLitre: 1,
      shelfLifeDays: 1,
      directions: "",
    },
  ],
);
const actions = table as Actions;
const wash: Step = {
  id: "w",
  action: "wash",
  items: ["blade", "carriage"],
  chemical: "h12",
  strength: { value: 62, unit: "mg/L" },
  temperature: { value: 18, unit: "°C" },
};

describe("a step in one line", () => {
  it("says things first, then figures with their units", () => {
    expect(summary(wash, names, actions)).toBe("blade, carriage, Halvern H12, 62 mg/L, at 18 °C");
  });

  it("says what the further actions state, each in its own words", () => {
    const said: [Partial<Step>, string][] = [
      [{ action: "lock", energies: ["cord"], locks: 2 }, "motor on its cord, 2 locks"],
      [{ action: "lock", energies: ["cord"], locks: 1 }, "motor on its cord, 1 lock"],
      [
        { action: "lock", energies: ["cord"], secondMeasure: "fuse out" },
        "motor on its cord, second fuse out",
      ],
      [
        { action: "cool-down", below: { value: 45, unit: "°C" }, standing: { value: 65, unit: "min" } },
        "below 45 °C, standing 65 min",
      ],
      [{ action: "index", items: ["pusher"], times: 10 }, "pusher, 10 times"],
      [{ action: "draw-off", places: ["sink 1", "sink 2"] }, "from sink 1, sink 2"],
      [
        { action: "soak", items: ["blade"], place: "sink 1", dwell: { value: 10, unit: "min" } },
        "blade, for 10 min, in sink 1",
      ],
      [
        { action: "wash", items: ["blade"], tool: "blue brush", direction: "outward" },
        "blade, using blue brush, wiping outward",
      ],
      [{ action: "install", items: ["collar"], pattern: "crosswise" }, "collar, fastened crosswise"],
      [
        { action: "chase-out", items: ["blade"], volume: { value: 9, unit: "L" }, product: "horchata" },
        "blade, 9 L, product horchata",
      ],
    ];
    for (const [step, words] of said) {
      expect(summary({ id: "x", ...step } as Step, names, actions)).toBe(words);
    }
    expect(verbOf({ id: "x", action: "operate", mode: "clean-mode" }, actions)).toBe("Run in clean mode");
  });

  it("counts on from the third thing and keeps an id that nothing has", () => {
    expect(
      summary({ id: "x", action: "rinse", items: ["blade", "carriage", "pusher", "moon"] }, names, actions),
    ).toBe("blade, carriage and 2 more");
    expect(summary({ id: "x", action: "rinse", items: ["moon"] }, names, actions)).toBe("moon");
  });

  it("falls back on the words for the cleaner", () => {
    expect(summary({ id: "x", action: "record", words: "Write it down." }, names, actions)).toBe(
      "Write it down.",
    );
  });

  it("names the controls by what they are used for", () => {
    expect(verbOf({ id: "x", action: "operate", mode: "safe-position" }, actions)).toBe("Set safe");
    expect(verbOf({ id: "x", action: "operate" }, actions)).toBe("Use the controls");
  });
});

describe("a difference in one line", () => {
  const steps: Step[] = [{ id: "a", action: "stop" }, wash];

  it("tells an insertion, a move and a deletion by the numbers people see", () => {
    const step: Step = { id: "n", action: "relieve", energies: ["cord"] };
    expect(editLine({ edit: "insert-before", before: "w", step }, steps, names, actions)).toBe(
      "+ before step 2: Release energy motor on its cord",
    );
    expect(editLine({ edit: "insert-before", step }, steps, names, actions)).toContain("at the end");
    expect(editLine({ edit: "move", id: "w", before: "a" }, steps, names, actions)).toBe(
      "↕ step 2 goes before step 1",
    );
    expect(editLine({ edit: "delete", id: "a" }, steps, names, actions)).toBe("− step 1");
  });

  it("tells a change by what was and what will be, and what was not stated", () => {
    const next: Step = { ...wash, strength: { value: 100, unit: "mg/L" }, contact: { value: 60, unit: "s" } };
    const line = editLine({ edit: "change", id: "w", step: next }, steps, names, actions);
    expect(line).toContain("strength 62 mg/L → 100 mg/L");
    expect(line).toContain("contact time, wet not stated → 60 s");
    expect(line).not.toContain("temperature");
  });
});

describe("rows of the ribbon", () => {
  const phases = ["Make safe", "Make safe", "Wash", "Make safe"];

  it("keeps consecutive steps of one phase together and repeats a phase that comes back", () => {
    const rows = rowsOf(phases, new Set());
    expect(rows.filter((r) => r.kind === "phase")).toHaveLength(3);
    expect(rows.filter((r) => r.kind === "step").map((r) => (r.kind === "step" ? r.index : -1))).toEqual([
      0, 1, 2, 3,
    ]);
  });

  it("folds a phase into its one line", () => {
    const rows = rowsOf(phases, new Set(["Make safe"]));
    expect(rows.filter((r) => r.kind === "step")).toHaveLength(1);
    expect(rows.filter((r) => r.kind === "phase")).toHaveLength(3);
  });

  it("shows only the steps that are asked for, each at its place or where the one before it ends", () => {
    const rows = rowsOf(phases, new Set(), (i) => i === 1);
    expect(rows.filter((r) => r.kind === "step").map((r) => (r.kind === "step" ? r.index : -1))).toEqual([1]);
    const { mid, height } = middles(rows, phases.length);
    expect(mid).toEqual([...mid].sort((a, b) => a - b));
    expect(mid.every((y) => y > 0 && y < height)).toBe(true);
  });
});
