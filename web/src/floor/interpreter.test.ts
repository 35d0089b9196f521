import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { judge, type Outcome, strengthInterval } from "./interpreter";

type File = {
  bands: { fromCelsius: number; leastMgPerL: number; mostMgPerL: number }[];
  instruments: {
    id: string;
    name: string;
    steps?: number[];
    tolerance: number;
    temperatureTolerance: number;
  }[];
  vectors: { instrument: string; strength: number; temperature: number; outcome: Outcome | "REFUSED" }[];
};

/** Made by the core; its own test fails when it would answer otherwise. */
const { bands, instruments, vectors }: File = JSON.parse(
  readFileSync("../demo/vectors/readings.json", "utf8"),
);

describe("readings as the core judges them", () => {
  it("has vectors of every outcome", () => {
    expect(new Set(vectors.map((v) => v.outcome))).toEqual(new Set(["IN", "OUT", "CANNOT_TELL", "REFUSED"]));
  });

  it.each(vectors)("$strength mg/L at $temperature °C with $instrument is $outcome", (v) => {
    const found = instruments.find((i) => i.id === v.instrument);
    if (!found) {
      throw new Error(`no instrument ${v.instrument}`);
    }
    const strength = strengthInterval({ ...found, steps: found.steps ?? [] }, v.strength);
    const t = found.temperatureTolerance;
    const got = strength
      ? judge(bands, strength, { low: v.temperature - t, high: v.temperature + t })
      : "REFUSED";
    expect(got).toBe(v.outcome);
  });
});
