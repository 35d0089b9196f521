import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { filled, REFUSALS, translate } from "./texts";

const spanish = JSON.parse(readFileSync("../server/src/main/resources/languages/es.json", "utf8")) as {
  texts: Record<string, string>;
};

/** Every text that the floor's screens say, as it stands in their source. */
function said(): string[] {
  const files = readdirSync("src/floor").filter((f) => /\.tsx?$/.test(f) && !f.includes(".test."));
  return files.flatMap((f) => {
    const source = readFileSync(`src/floor/${f}`, "utf8");
    return [...source.matchAll(/\bsay\(\s*"((?:[^"\\]|\\.)*)"/g)].map((m) => m[1]);
  });
}

describe("the floor in Spanish", () => {
  it("has every text that a screen says", () => {
    const all = said();
    expect(all.length).toBeGreaterThan(80);
    expect(all.filter((t) => spanish.texts[t] === undefined)).toEqual([]);
  });

  it("says why an entry was not taken", () => {
    expect(Object.values(REFUSALS).filter((t) => spanish.texts[t] === undefined)).toEqual([]);
  });
});

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

  it("keeps what is filled in", () => {
    expect(filled("{1} de {0}", ["3", 2])).toBe("2 de 3");
    expect(filled("Paso {0}", [])).toBe("Paso ");
  });
});
