import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { deeds, storyOfEnergy, storyOfSurface } from "./stories";

const cord: Schemas["EnergyThread"] = {
  id: "cord",
  name: "Motor on its cord",
  spans: [
    { from: 0, stage: "LIVE" },
    { from: 1, stage: "STOPPED" },
    { from: 2, stage: "UNPLUGGED" },
  ],
};

const face = (marks: Schemas["Mark"][], end: boolean, due = true): Schemas["SurfaceThread"] => ({
  name: "Blade",
  surfaces: [
    { id: "blade-face", name: "Blade, face", part: "Blade" },
    { id: "blade-edge", name: "Blade, edge", part: "Blade" },
  ],
  zone: 1,
  due,
  end,
  spans: [],
  marks,
});

const ribbon = (marks: Schemas["Mark"][]): Schemas["Ribbon"] => ({
  energies: [cord],
  surfaces: [face(marks, true)],
  steps: ["s1", "s2", "s3", "s4"].map((id) => ({ id, phase: "Clean" })),
});

describe("the threads in sentences", () => {
  it("tells an energy from the start to the last step that changes it", () => {
    expect(storyOfEnergy(cord)).toBe(
      "Motor on its cord: live at the start, stopped at step 1, unplugged at step 2.",
    );
    expect(storyOfEnergy({ ...cord, spans: [{ from: 0, stage: "LIVE" }] })).toBe(
      "Motor on its cord: live all night.",
    );
  });

  it("tells what was done to a surface, what does not count, and how it ends", () => {
    const marks = [
      { step: 3, kind: "wash", granted: true },
      { step: 4, kind: "sanitize", granted: false },
    ];
    expect(storyOfSurface("Blade, face", face(marks, false))).toBe(
      "Blade, face: soiled, washed at step 3, step 4 tried, and it does not count; does not end as its sheet asks.",
    );
    expect(storyOfSurface("Blade, face", face([], false))).toContain("no step reaches it; does not end");
    expect(storyOfSurface("Blade, face", face([], false, false))).toContain("; not due.");
  });

  it("says of each step what it does to the machine", () => {
    const did = deeds(
      ribbon([
        { step: 2, kind: "off", granted: true },
        { step: 3, kind: "wash", granted: true },
        { step: 3, kind: "rinse", granted: false },
      ]),
    );
    expect(did[0]).toBe("Motor on its cord: stopped at step 1.");
    // One part for both of its surfaces.
    expect(did[1]).toBe("Motor on its cord: unplugged at step 2; Blade: taken off at step 2.");
    expect(did[2]).toBe("reaches 2 surfaces; does not count on 2 surfaces.");
    expect(did[3]).toBe("Changes nothing on the machine.");
  });
});
