import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { reading, speak } from "./say";
import { piece, sentence, told, translate } from "./texts";

describe("a text of a document or a word of the program", () => {
  const t = { Blade: "Cuchilla", "product rod": "varilla", "{0} and {1}": "{0} y {1}" };
  const cases: [string, string][] = [
    ["Blade", "Cuchilla"],
    ["blade", "cuchilla"],
    ["Product rod", "Varilla"],
    ["NBR", "NBR"],
    ["a moon", "a moon"],
    ["blade and product rod", "blade and product rod"],
    ["", ""],
  ];
  it.each(cases)("as a whole: “%s” is “%s”", (english, other) => expect(translate(t, english)).toBe(other));
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
