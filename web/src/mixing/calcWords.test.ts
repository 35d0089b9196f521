import { readFileSync } from "node:fs";
import { list } from "orthopur-core/calculator.js";
import { expect, it } from "vitest";
import { INPUTS, RESULTS } from "./calcWords";

it("has a word for each input and for each further result of the calculations", () => {
  const all: { calculations: { keys: string[] }[] } = JSON.parse(list());
  const keys = all.calculations.flatMap((c) => c.keys.map((k) => k.replace("?", "")));
  expect(keys.filter((k) => INPUTS[k] === undefined)).toEqual([]);
  const { vectors }: { vectors: { answer?: { also: object } }[] } = JSON.parse(
    readFileSync("../demo/vectors/calculations.json", "utf8"),
  );
  const results = vectors.flatMap((v) => Object.keys(v.answer?.also ?? {}));
  expect(results.filter((k) => RESULTS[k] === undefined)).toEqual([]);
});
