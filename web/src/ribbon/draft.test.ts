import { describe, expect, it } from "vitest";
import { begin, change, redo, undo } from "../shared/history";
import { applyEdits, type Doc, freshId, type Step, splitQuantity } from "./draft";

const step = (id: string): Step => ({ id, action: "inspect" });
const doc = (...ids: string[]): Doc => ({
  id: "p",
  title: "P",
  sheet: "M",
  sheetVersion: 1,
  ruleBook: "b",
  kind: "daily",
  schools: { rinseAfterSanitizer: false, assembledFirst: false },
  people: 1,
  ppe: [],
  steps: ids.map(step),
});
const ids = (d: Doc) => d.steps.map((s) => s.id).join("");

describe("edits", () => {
  it("inserts, moves, changes and deletes in order and leaves the old document alone", () => {
    const before = doc("a", "b", "c");
    const after = applyEdits(before, [
      { edit: "insert-before", before: "b", step: step("x") },
      { edit: "move", id: "c", before: "a" },
      { edit: "delete", id: "a" },
      { edit: "insert-before", step: step("z") },
      { edit: "change", id: "b", step: { id: "b", action: "wash" } },
    ]);
    expect(ids(after)).toBe("cxbz");
    expect(after.steps[2].action).toBe("wash");
    expect(ids(before)).toBe("abc");
  });

  it("makes ids that are free", () => {
    expect(freshId(doc("s4", "a", "b"))).toBe("s5");
  });
});

describe("history", () => {
  it("goes back and forth and drops the future on a new change", () => {
    let h = begin(doc("a"));
    h = change(h, doc("a", "b"));
    h = change(h, doc("a", "b", "c"));
    expect(ids(undo(h).now)).toBe("ab");
    expect(ids(redo(undo(h)).now)).toBe("abc");
    expect(change(undo(h), doc("z")).future).toEqual([]);
    expect(undo(begin(doc("a"))).now).toEqual(doc("a"));
  });

  it("counts typing on in one field as one change", () => {
    let h = begin(doc("a"));
    h = change(h, doc("a", "b"), "words");
    h = change(h, doc("a", "c"), "words");
    expect(ids(undo(h).now)).toBe("a");
  });
});

describe("quantities as typed", () => {
  it("splits number and unit without judging them", () => {
    expect(splitQuantity("62 mg/L")).toEqual({ value: 62, unit: "mg/L" });
    expect(splitQuantity("12,5%")).toEqual({ value: 12.5, unit: "%" });
    expect(splitQuantity("-5 mg/L")).toEqual({ value: -5, unit: "mg/L" });
    expect(splitQuantity("100")).toEqual({ value: 100, unit: "" });
    expect(splitQuantity("abc")).toBeNull();
  });
});
