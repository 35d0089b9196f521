import { describe, expect, it } from "vitest";
import type { Known } from "../round/core";
import * as enter from "../round/entries";
import { correctedSinceRead, fading, labelIn, newLabel, solutionsOf } from "./shelf";

const NOW = 1_000_000_000;
const known = (entry: unknown, at: number): Known => ({
  entry: entry as Known["entry"],
  who: "Maren",
  person: "2",
  at,
});
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
    const [s] = solutionsOf(
      [
        known(enter.solutionRead("K7Q2M", "probe-2", 104, 18, NOW + 20), NOW + 20),
        known(MADE, NOW),
        known(enter.solutionRead("OTHER", "probe-2", 1, 18, NOW + 5), NOW + 5),
        known(enter.solutionRead("K7Q2M", "probe-2", 110, 18, NOW + 10), NOW + 10),
      ],
      NOW,
    );
    expect(s).toMatchObject({ vessel: "sink-3", litres: 40, mgPerL: 110, label: "K7Q2M", who: "Maren" });
    expect(s.readings.map((r) => r.mgPerL)).toEqual([110, 104]);
    expect(s.standing).toBe("FRESH");
  });

  it("tells by its readings since it was corrected how it fades, and asks for the first", () => {
    const until = [
      known(MADE, NOW),
      known(enter.solutionRead("K7Q2M", "p", 90, 18, NOW + 10), NOW + 10),
      known(enter.solutionCorrected("K7Q2M", "add", 0.013, 2, NOW + 20), NOW + 20),
    ];
    const [waits] = solutionsOf(until, NOW + 25);
    expect(waits.standing).toBe("UNREAD");
    expect(correctedSinceRead(waits)).toBe(true);
    expect(waits.litres).toBeCloseTo(38.013);
    const [s] = solutionsOf(
      [...until, known(enter.solutionRead("K7Q2M", "p", 112, 18, NOW + 30), NOW + 30)],
      NOW + 40,
    );
    expect(s.standing).toBe("FRESH");
    expect(fading(s).map((r) => r.mgPerL)).toEqual([112]);
  });

  it("has labels without letters that are mistaken for figures", () => {
    for (let i = 0; i < 50; i++) {
      expect(newLabel()).toMatch(/^[A-HJ-NP-Z2-9]{5}$/);
    }
  });

  it("takes a label as it is typed, and out of the address that a square holds", () => {
    expect(labelIn(" k7q2m ")).toBe("K7Q2M");
    expect(labelIn("https://site.example/mixing?label=K7Q2M")).toBe("K7Q2M");
    expect(labelIn("http://10.0.0.4:8080/mixing?show=shelf&label=p4r8t#x")).toBe("P4R8T");
  });
});
