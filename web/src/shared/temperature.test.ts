import { describe, expect, it } from "vitest";
import { celsiusOf, shownIn, textIn } from "./temperature";

describe("a site whose thermometers show °F", () => {
  it.each([
    [0, 32],
    [45, 113],
    [77, 170.6],
    [37.5, 99.5],
    [-10, 14],
    [110, 230],
  ])("shows %s °C as %s °F and takes it back", (c, f) => {
    expect(shownIn("°F", c)).toBe(f);
    expect(celsiusOf("°F", f)).toBeCloseTo(c, 2);
  });

  it("takes a tenth of a °F back to the same tenth", () => {
    for (let f = 140; f <= 2300; f++) {
      expect(shownIn("°F", celsiusOf("°F", f / 10))).toBe(f / 10);
    }
  });

  it.each([
    ["none above 45 °C.", "none above 45 °C.", "none above 113 °F."],
    ["from 18 to 38 °C", "from 18 to 38 °C", "from 64.4 to 100.4 °F"],
    ["de 18 a 38 °C", "from 18 to 38 °C", "de 64.4 a 100.4 °F"],
    ["sink 1 at 20 °C", "sink 1 at 20 °C", "sink 1 at 68 °F"],
    ["fregadero 1 a 20 °C", "sink 1 at 20 °C", "fregadero 1 a 68 °F"],
    ["from -10 to 110 °C", "from -10 to 110 °C", "from 14 to 230 °F"],
    ["100 mg/L", "100 mg/L", "100 mg/L"],
  ])("says “%s”", (text, english, out) => expect(textIn("°F", text, english)).toBe(out));

  it("leaves °C alone where the site has them", () => {
    expect(textIn("°C", "none above 45 °C", "none above 45 °C")).toBe("none above 45 °C");
    expect(celsiusOf("°C", 45)).toBe(45);
  });
});
