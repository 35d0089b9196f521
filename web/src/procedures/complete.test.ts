import { describe, expect, it } from "vitest";
import { completions } from "./complete";

const words = {
  verbs: ["Wash", "Wash hands", "Remove", "Rinse"],
  things: ["Blade", "Blade, back", "Blade collar", "Pusher", "Seat under the blade collar"],
  products: ["Sudmere N", "Sudmere CA", "Halvern H12"],
  vessels: ["sink 1", "sink 2", "soak tub"],
};
const options = (text: string) => completions(text, words).options;

describe("completions", () => {
  it("begins with the verbs", () => {
    expect(options("wa")).toEqual(["Wash", "Wash hands"]);
    expect(options("R")).toEqual(["Remove", "Rinse"]);
    expect(options("")).toEqual([]);
  });

  it("goes on with the names of the sheet, those that begin so first", () => {
    expect(options("Wash bl")).toEqual([
      "Blade",
      "Blade, back",
      "Blade collar",
      "Seat under the blade collar",
    ]);
    expect(options("Wash Pusher; bla")[0]).toBe("Blade");
    expect(options("Wash ")).toEqual([]);
  });

  it("knows products behind with and vessels behind in", () => {
    expect(options("Wash Pusher, with su")).toEqual(["Sudmere N", "Sudmere CA"]);
    expect(options("Wash Pusher with Hal")).toEqual(["Halvern H12"]);
    expect(options("Soak")).toEqual([]);
    expect(options("Rinse Pusher in si")).toEqual(['"sink 1"', '"sink 2"']);
  });

  it("says from where it replaces", () => {
    const text = "Wash Pusher; bla";
    const c = completions(text, words);
    expect(text.slice(0, c.from) + c.options[0]).toBe("Wash Pusher; Blade");
  });

  it("does not stand in the way of figures and quotes", () => {
    expect(options("Wash Pusher, 8")).toEqual([]);
    expect(options('Remove Pusher, -> "par')).toEqual([]);
  });

  it("offers nothing for what is whole already", () => {
    expect(options("Wash Pusher")).toEqual([]);
    expect(options("Remove Pusher, with Sudmere N")).toEqual([]);
  });
});
