import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { reading, speak } from "./say";
import { piece, sentence, told, translate } from "./texts";

describe("a text that the file does not have as a whole", () => {
  const t = {
    Blade: "Cuchilla",
    "product rod": "varilla",
    "{0} and {1}": "{0} y {1}",
    "{0} soaking, {1}": "{0}: en remojo, {1}",
    "{0}, {1} / {2}": "{0}, {1} / {2}",
    "{0} and {1} more": "{0} y {1} más",
    "Too weak: at {0} °C it takes at least {1} mg/L. {2}": "Débil: a {0} °C, al menos {1} mg/L. {2}",
    "Add {0} of {1} and stir.": "Agregue {0} de {1} y mezcle.",
    "drip tray and grid": "charola y rejilla",
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
    ["blade, product rod, 3 / 8", "cuchilla, varilla, 3 / 8"],
    ["blade, drip tray and grid and 3 more", "cuchilla, charola y rejilla y 3 más"],
    ["a moon soaking, sink 1", "a moon soaking, sink 1"],
    [
      "Too weak: at 24 °C it takes at least 50 mg/L. Add 30 mL of Halvern H12 and stir.",
      "Débil: a 24 °C, al menos 50 mg/L. Agregue 30 mL de Halvern H12 y mezcle.",
    ],
    ["NBR and blade", "NBR y cuchilla"],
    ["", ""],
  ];
  it.each(cases)("“%s” is “%s”", (english, other) => expect(translate(t, english)).toBe(other));
});

describe("a sentence of the core", () => {
  const still = {
    id: "f.still",
    english: "blade is still live",
    args: ["blade", { id: "s.live", english: "live", args: [] }],
  };
  const with_ = {
    id: "f.with",
    english: "2 locks are missing: blade, guard and saw",
    args: [2, ["blade", "guard", "saw"]],
  };

  it("is English where no language is chosen", () => {
    expect(sentence(still)).toBe("Blade is still live");
  });

  describe("in a language", () => {
    beforeEach(() =>
      speak("es", {
        "f.still": "{0} sigue {1}",
        "s.live": "con energía",
        "f.with": "{0, plural, one {falta # candado} other {faltan # candados}}: {1}",
        blade: "cuchilla",
        guard: "protección",
        saw: "sierra",
      }),
    );
    afterEach(() => speak("en", {}));

    it("takes its names and its pieces along", () => {
      expect(sentence(still)).toBe("Cuchilla sigue con energía");
    });

    it("counts and lists as the language does", () => {
      expect(piece(with_)).toBe("faltan 2 candados: cuchilla, protección y sierra");
    });

    it("stays English as a whole where the language lacks it", () => {
      expect(sentence({ id: "f.none", english: "the blade is wet", args: ["blade"] })).toBe(
        "The blade is wet",
      );
    });
  });

  describe("of two documents that say one English otherwise", () => {
    const GUARD = { id: "f.off", english: "without guard", args: ["guard"] };
    beforeEach(() =>
      speak("es", { guard: "guarda", "f.off": "sin {0}" }, "°C", "L", { "QK-SL1": { guard: "protección" } }),
    );
    afterEach(() => {
      reading([]);
      speak("en", {});
    });

    it("shows each in its own words, and the common ones elsewhere", () => {
      expect(told("guard")).toBe("guarda");
      reading(["QK-SL1", "qk-sl1-daily"]);
      expect(told("guard")).toBe("protección");
      expect(piece(GUARD)).toBe("sin protección");
      reading(["QK-GR1"]);
      expect(piece(GUARD)).toBe("sin guarda");
    });
  });
});
