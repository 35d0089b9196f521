import { expect, test } from "vitest";
import { at, choices, EMPTY, idFor, idsOf, put, type Tree, without } from "./sheet";

const sheet = {
  parts: [
    { id: "body", name: "Body", surfaces: [{ id: "top", name: "Top" }] },
    { id: "tray", name: "Tray", behind: ["body"], surfaces: [] },
  ],
  optionGroups: [{ id: "feed", name: "Feed", options: [{ id: "hand", name: "by hand" }] }],
} as unknown as Tree;

test("a value is read and put by pointer, and the old tree stays", () => {
  const next = put(sheet, "/parts/0/surfaces/0/name", "Roof");
  expect(at(next, "/parts/0/surfaces/0/name")).toBe("Roof");
  expect(at(sheet, "/parts/0/surfaces/0/name")).toBe("Top");
  expect(at(put(sheet, "/parts/1/handling/people", 2), "/parts/1/handling")).toEqual({ people: 2 });
});

test("what is taken away leaves nothing empty behind", () => {
  const heavy = put(sheet, "/parts/1/handling/people", 2);
  expect(at(put(heavy, "/parts/1/handling/people", undefined), "/parts/1/handling")).toBeUndefined();
  expect(at(put(sheet, "/parts/0", undefined), "/parts/0/id")).toBe("tray");
});

test("an id is made of the name and is no other's", () => {
  expect(idFor("Führung, links", [])).toBe("fu-hrung-links");
  expect(idFor("Tray", idsOf(sheet))).toBe("tray-2");
  expect(idFor("???", [])).toBe("thing");
});

test("a field names what the sheet has", () => {
  expect(choices(sheet, "behind", [])?.map((c) => c.id)).toEqual(["body", "tray"]);
  expect(choices(sheet, "covers", [])?.map((c) => c.id)).toEqual(["top"]);
  expect(choices(sheet, "when", [])).toEqual([{ id: "feed=hand", name: "Feed: by hand" }]);
  expect(choices(EMPTY, "fastening", [])).toBeNull();
});

test("a part takes its shapes in the outline with it, and a surface none", () => {
  const shapes = [
    { part: "body", path: "M0 0Z" },
    { part: "tray", path: "M1 1Z" },
    { part: "body", path: "M2 2Z" },
  ];
  const drawn = { ...sheet, outline: { width: 10, height: 10, shapes } } as unknown as Tree;
  expect(at(without(drawn, "/parts/0"), "/outline/shapes")).toEqual([{ part: "tray", path: "M1 1Z" }]);
  expect(at(without(drawn, "/parts/0/surfaces/0"), "/outline/shapes")).toEqual(shapes);
  expect(at(without(sheet, "/parts/0"), "/outline")).toBeUndefined();
});
