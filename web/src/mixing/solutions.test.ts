import { describe, expect, it } from "vitest";
import type { Known } from "../round/core";
import * as enter from "../round/entries";
import { fading, newLabel, solutionsOf, standing } from "./solutions";

const NOW = 1_000_000_000;
const known = (entry: Known["entry"], at: number): Known => ({ entry, who: "Maren", person: "2", at });
const MADE = enter.solutionMade({
  vessel: "sink-3",
  chemical: "halvern-h12",
  litres: 40,
  mgPerL: 110,
  label: "K7Q2M",
  celsius: 18,
  until: NOW + 3_600_000,
});

describe("the shelf of solutions", () => {
  it("holds what stands, with its own readings in their order", () => {
    const [s] = solutionsOf([
      known(enter.solutionRead("K7Q2M", "probe-2", 104, 18, NOW + 20), NOW + 20),
      known(MADE as Known["entry"], NOW),
      known(enter.solutionRead("OTHER", "probe-2", 1, 18, NOW + 5), NOW + 5),
      known(enter.solutionRead("K7Q2M", "probe-2", 110, 18, NOW + 10), NOW + 10),
    ] as Known[]);
    expect(s).toMatchObject({ vessel: "sink-3", litres: 40, mgPerL: 110, label: "K7Q2M", who: "Maren" });
    expect(s.readings.map((r) => r.mgPerL)).toEqual([110, 104]);
  });

  it("tells by its readings since it was corrected how it fades", () => {
    const [s] = solutionsOf([
      known(MADE as Known["entry"], NOW),
      known(enter.solutionRead("K7Q2M", "p", 90, 18, NOW + 10) as Known["entry"], NOW + 10),
      known(enter.solutionCorrected("K7Q2M", "add", 0.013, 0, NOW + 20) as Known["entry"], NOW + 20),
      known(enter.solutionRead("K7Q2M", "p", 112, 18, NOW + 30) as Known["entry"], NOW + 30),
    ]);
    expect(s.corrections).toHaveLength(1);
    expect(fading(s).map((r) => r.mgPerL)).toEqual([112]);
  });

  it("calls it out in time, and knows what is poured out", () => {
    const [s] = solutionsOf([known(MADE as Known["entry"], NOW)]);
    expect(standing(s, NOW)).toBe("fresh");
    expect(standing(s, NOW + 3_600_000 - 14 * 60_000)).toBe("soon");
    expect(standing(s, NOW + 3_600_001)).toBe("over");
    const [out] = solutionsOf([
      known(MADE as Known["entry"], NOW),
      known(enter.vesselEmptied("sink-3", true) as Known["entry"], NOW + 1),
    ]);
    expect(standing(out, NOW)).toBe("out");
    expect(out.emptied?.rinsed).toBe(true);
    // Filled anew after that: the new one stands.
    const [again] = solutionsOf([
      known(enter.vesselEmptied("sink-3", true) as Known["entry"], NOW - 1),
      known(MADE as Known["entry"], NOW),
    ]);
    expect(again.emptied).toBeUndefined();
  });

  it("has labels without letters that are mistaken for figures", () => {
    for (let i = 0; i < 50; i++) {
      expect(newLabel()).toMatch(/^[A-HJ-NP-Z2-9]{5}$/);
    }
  });
});
