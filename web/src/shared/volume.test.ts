import { describe, expect, it } from "vitest";
import { litresOf, millilitresOf, smallVolumeIn, volumeIn, volumesIn } from "./volume";

describe("a device that shows gallons", () => {
  it.each([
    ["Water first 40 L", "Water first 10.57 gal"],
    ["Add 13 mL of Halvern H12 to the 40 L", "Add 0.44 fl oz of Halvern H12 to the 10.57 gal"],
    [
      "It means 100 to 119 mg/L; 100 to 200 mg/L are permitted.",
      "It means 100 to 119 ppm; 100 to 200 ppm are permitted.",
    ],
    ["sink 1, 60 L to the brim", "sink 1, 15.85 gal to the brim"],
    // What is no volume stays as it is: lines and labels, a flow, a letter.
    ["QK-SL1 step 3 Lines 1 to 6", "QK-SL1 step 3 Lines 1 to 6"],
    ["11 L/min", "11 L/min"],
    ["label 7 LARGE", "label 7 LARGE"],
  ])("says %s as %s", (metric, shown) => {
    expect(volumesIn("gal", metric)).toBe(shown);
    expect(volumesIn("L", metric)).toBe(metric);
  });

  it("takes back what it shows, to less than anybody pours", () => {
    for (let l = 1; l <= 100; l++) {
      expect(litresOf("gal", volumeIn("gal", l))).toBeCloseTo(l, 1);
      expect(millilitresOf("gal", smallVolumeIn("gal", l * 10)) / (l * 10)).toBeCloseTo(1, 1);
    }
    expect(volumeIn("L", 12.5)).toBe(12.5);
    expect(litresOf("L", 12.5)).toBe(12.5);
  });
});
