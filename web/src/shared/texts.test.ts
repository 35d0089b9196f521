import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { speak } from "./say";
import { piece, sentence, translate } from "./texts";

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
});
