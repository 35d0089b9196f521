import { readFileSync } from "node:fs";
import { by, list } from "orthopur-core/calculator.js";
import { expect, it } from "vitest";

/*
 * The calculations as they were compiled, against what the core says. Words and verdicts are the same; a
 * number may differ in its last digits, where the two know logarithms and powers to another one.
 */

type Answered = { also: object };
type Refused = { key: string; message: string; allowed: string };
type Vector = { name: string; inputs: Record<string, string>; answer?: Answered; refused?: Refused };

const { vectors }: { vectors: Vector[] } = JSON.parse(
  readFileSync("../demo/vectors/calculations.json", "utf8"),
);

/** Numbers to twelve figures; what is empty is left out, as in the file. */
function shown(value: unknown): unknown {
  if (typeof value === "number") {
    return Number(value.toPrecision(12));
  }
  if (Array.isArray(value)) {
    return value.map(shown);
  }
  if (value === null || typeof value !== "object") {
    return value;
  }
  if ("english" in value) {
    return value.english;
  }
  const kept = Object.entries(value)
    .map(([k, v]) => [k, shown(v)] as const)
    .filter(([, v]) => v !== "" && !(v && typeof v === "object" && Object.keys(v).length === 0));
  return Object.fromEntries(kept);
}

it("has golden inputs of every calculation", () => {
  const all: { calculations: { name: string }[] } = JSON.parse(list());
  expect(new Set(vectors.map((v) => v.name))).toEqual(new Set(all.calculations.map((c) => c.name)));
});

it.each(vectors)("says of $name $inputs what the core says", (v) => {
  const said = JSON.parse(by("", {}).compute(v.name, v.inputs));
  // There a refusal is a sentence of its own, here it may be a piece of one.
  expect(shown(said.said ? { ...said, said: said.said.english.toLowerCase() } : said)).toEqual(
    shown(
      v.answer ?? {
        key: v.refused?.key,
        said: v.refused?.message.toLowerCase(),
        allowed: v.refused?.allowed,
      },
    ),
  );
});

it("goes by a figure that the site has set otherwise", () => {
  const warm = { "hot-water.hand.least-temperature": { value: 82, why: "the site" } };
  const limit = { kind: "hot-water", temp: "80C", contact: "30s" };
  const strict = by("site-1", warm);
  expect(JSON.parse(strict.compute("limit", limit)).result.value).toBe(82);
  expect(JSON.parse(by("", {}).compute("limit", limit)).result.value).toBe(77);
});
