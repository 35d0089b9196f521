import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import type { Step } from "../ribbon/draft";
import { begin } from "../shared/history";
import { type Act, type Bench, firstHistory, opened, reduce } from "./bench";

type View = Schemas["ProcedureView"];

const step = (id: string) => ({ id, action: "wash" }) as Step;

const view = (steps: string[], revision = 4, state = "DRAFT") =>
  ({
    row: { id: "slicer", version: 1, state },
    revision,
    document: { title: "Slicer", sheetVersion: 1, steps: steps.map(step) },
  }) as unknown as View;

const bench = (...steps: string[]): Bench => {
  const v = view(steps);
  return opened(begin(v.document), v, v.revision, false);
};

const order = (b: Bench) => b.history.now.steps.map((s) => s.id).join("");
const after = (b: Bench, ...acts: Act[]) => acts.reduce(reduce, b);

describe("the steps on the workbench", () => {
  it.each<[string, Act, string]>([
    ["go in behind the chosen one", { kind: "insert", after: 1, step: step("x") }, "abxcd"],
    ["go in at the front where none is chosen", { kind: "insert", after: -1, step: step("x") }, "xabcd"],
    ["move down by one", { kind: "move", step: "b", by: 1 }, "acbd"],
    ["move up by one", { kind: "move", step: "b", by: -1 }, "bacd"],
    ["stay where there is no place above", { kind: "move", step: "a", by: -1 }, "abcd"],
    ["are carried down behind the one they are let go on", { kind: "carry", step: "a", onto: "c" }, "bcad"],
    ["are carried up before the one they are let go on", { kind: "carry", step: "d", onto: "b" }, "adbc"],
    ["are not carried onto nothing", { kind: "carry", step: "a", onto: "?" }, "abcd"],
    ["go", { kind: "remove", step: "c" }, "abd"],
  ])("%s", (_, act, expected) => {
    const before = bench("a", "b", "c", "d");
    const b = reduce(before, act);
    expect(order(b)).toBe(expected);
    expect(order(before)).toBe("abcd");
    // What changes nothing leaves nothing to undo.
    expect(b.history.past.length).toBe(expected === "abcd" ? 0 : 1);
    expect(order(reduce(b, { kind: "undo" }))).toBe("abcd");
  });

  it("are undone as a whole where one field was typed on in", () => {
    const typed = (tool: string): Act => ({
      kind: "change-step",
      step: { ...step("a"), tool },
      field: "tool",
    });
    const b = after(bench("a"), typed("b"), typed("br"), typed("brush"));
    expect(b.history.now.steps[0].tool).toBe("brush");
    expect(reduce(b, { kind: "undo" }).history.now.steps[0].tool).toBeUndefined();
  });

  it("are fixed, and the fix is said and put out of the light", () => {
    const lit = { rule: "L3" } as Schemas["FindingDocument"];
    const b = after(
      bench("a", "b"),
      { kind: "light", finding: lit },
      { kind: "fix", edits: [{ edit: "move", id: "b", before: "a" }], said: "Done." },
    );
    expect(order(b)).toBe("ba");
    expect(b.lit).toBeNull();
    expect(b.said).toEqual({ text: "Done.", stop: false });
    expect(reduce(b, { kind: "remove", step: "a" }).said).toBeNull();
  });
});

describe("what the server has", () => {
  it("is what was written here once it is saved, however the server writes it", () => {
    const b = after(bench("a"), { kind: "insert", after: 0, step: step("b") });
    const saved = reduce(b, { kind: "saved", view: view(["a"], 5), doc: b.history.now, said: "Saved." });
    expect(saved.saved.document).toBe(b.history.now);
    expect(saved.revision).toBe(5);
    expect(order(reduce(saved, { kind: "undo" }))).toBe("a");
  });

  it("is taken over from somebody else with mine one step back", () => {
    const b = after(
      bench("a"),
      { kind: "insert", after: 0, step: step("mine") },
      { kind: "theirs", view: view(["theirs"], 7), said: "Newer." },
    );
    expect(order(b)).toBe("theirs");
    expect(b.revision).toBe(7);
    expect(order(reduce(b, { kind: "undo" }))).toBe("amine");
  });

  it("closes the dialog in which it was approved", () => {
    const b = after(
      bench("a"),
      { kind: "lay", over: "approve" },
      { kind: "became", view: view(["a"], 5, "APPROVED"), said: "Approved." },
    );
    expect(b.over).toBeNull();
    expect(b.saved.row.state).toBe("APPROVED");
  });

  it("goes over to the newest sheet as a draft, and stays with its own once approved", () => {
    expect(firstHistory(view(["a"]), 3, null).now.sheetVersion).toBe(3);
    expect(firstHistory(view(["a"], 4, "APPROVED"), 3, null).now.sheetVersion).toBe(1);
  });
});

it("folds a phase and unfolds it, and unfolds all for a finding", () => {
  const b = reduce(bench("a"), { kind: "fold", phase: "Wash" });
  expect([...b.folded]).toEqual(["Wash"]);
  expect(reduce(b, { kind: "fold", phase: "Wash" }).folded.size).toBe(0);
  const finding = { rule: "L3" } as Schemas["FindingDocument"];
  expect(reduce(b, { kind: "light", finding }).folded.size).toBe(0);
});
