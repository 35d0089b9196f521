import { describe, expect, it } from "vitest";
import { translate } from "./texts";

describe("a text that the file does not have as a whole", () => {
  const t = {
    Blade: "Cuchilla",
    "product rod": "varilla",
    " and ": " y ",
    soaking: "en remojo",
    "sink 1": "fregadero 1",
  };
  const cases: [string, string][] = [
    ["blade", "cuchilla"],
    ["Product rod", "Varilla"],
    ["Blade 2", "Cuchilla 2"],
    ["blade, product rod", "cuchilla, varilla"],
    ["blade and product rod", "cuchilla y varilla"],
    ["blade, product rod soaking, sink 1", "cuchilla, varilla: en remojo, fregadero 1"],
    ["blade and a moon", "blade and a moon"],
    ["", ""],
  ];
  it.each(cases)("“%s” is “%s”", (english, other) => expect(translate(t, english)).toBe(other));
});
