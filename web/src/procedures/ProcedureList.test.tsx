import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, show } from "../testing/page";
import ProcedureList from "./ProcedureList";

const row = (id: string, version: number, state: string, more: object = {}) => ({
  id,
  version,
  state,
  kind: "daily",
  machine: "QK-SL1",
  title: `${id} ${version}`,
  author: "Ilse Varga",
  savedAt: 1_788_000_000_000,
  stops: 0,
  fixes: 0,
  ...more,
});

const ANSWERS = {
  "GET /api/session": ILSE,
  "GET /api/machines": [{ code: "QK-SL1", name: "Disc slicer", room: "Prep room" }],
  "GET /api/procedures": [
    row("old", 1, "RETIRED"),
    row("old", 2, "APPROVED"),
    row("old", 3, "DRAFT", { stops: 2, fixes: 1 }),
    row("other", 1, "DRAFT", { kind: "weekly" }),
    row("saw", 1, "APPROVED", { machine: "QK-SW1", approveReason: "the part is on order" }),
  ],
  "GET /api/uncovered": [{ code: "QK-SL1", name: "Disc slicer", items: ["oil the spindle"] }],
  "GET /api/lapsed": [],
};

describe("what is written", () => {
  it("stands by machine, each draft under what it would replace, and what was replaced is not in the way", async () => {
    show(<ProcedureList />, ANSWERS);
    const slicer = await screen.findByRole("region", { name: "QK-SL1 Disc slicer" });
    const inForce = within(slicer).getByText("old 2").closest("li") as HTMLElement;
    expect(within(inForce).getByText("old 3")).toBeTruthy();
    expect(within(inForce).getByText("draft: 2 stops, 1 fix")).toBeTruthy();
    expect(within(inForce).queryByText("other 1")).toBeNull();
    expect(within(slicer).queryByText("old 1")).toBeNull();
    expect(within(slicer).getByText("1 asked by the sheet, done by none (F2)")).toBeTruthy();
    expect(screen.getByText("approved: all the same: the part is on order")).toBeTruthy();
  });

  it("is found by machine, title or frequency, and the replaced ones when they are asked for", async () => {
    const { user } = show(<ProcedureList />, ANSWERS);
    await user.type(await screen.findByLabelText("Find a machine or a procedure"), "weekly");
    expect(screen.getByText("other 1")).toBeTruthy();
    expect(screen.queryByText("old 2")).toBeNull();
    await user.clear(screen.getByLabelText("Find a machine or a procedure"));
    await user.selectOptions(screen.getByLabelText("State"), "RETIRED");
    expect(screen.getByText("old 1")).toBeTruthy();
    expect(screen.queryByText("old 2")).toBeNull();
  });
});
