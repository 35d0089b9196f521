import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, Problem, show } from "../testing/page";
import { words } from "../testing/words";
import Shelf from "./Shelf";

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
const outline = { width: 400, height: 300, shapes: [{ part: "body", path: "M0 0L1 1Z" }] };
const task = (id: string, state: string, more: object = {}) => ({
  task: id,
  machine: "QK-SL1",
  name: id,
  state,
  ...more,
});

const page = (answers: object = {}) =>
  show(<Shelf />, {
    "GET /api/session": ILSE,
    "GET /api/machines": [
      { code: "QK-SL1", name: "Disc slicer", room: "Prep room", version: 7, outline },
      { code: "QK-SW1", name: "Band saw", room: "Cold cutting room", version: 1 },
      { code: "QK-OV1", name: "Tunnel oven", room: "Bakery", version: 1 },
    ],
    "GET /api/board": [
      { code: "QK-SL1", standing: "RELEASED" },
      { code: "QK-OV1", standing: "DIRTY", out: { why: "burner" } },
    ],
    "GET /api/due": {
      now: 0,
      today: "2026-11-30",
      tasks: [
        task("old", "DUE"),
        task("check the feet", "LATE"),
        task("oil the rods", "DUE"),
        task("far", "SOON"),
      ],
    },
    "GET /api/procedures": [
      row("old", 1, "RETIRED"),
      row("old", 2, "APPROVED"),
      row("old", 3, "DRAFT", { stops: 2, fixes: 1 }),
      row("other", 1, "DRAFT", { kind: "weekly" }),
      row("saw", 1, "APPROVED", { machine: "QK-SW1", approveReason: "the part is on order" }),
    ],
    "GET /api/uncovered": [{ code: "QK-SL1", name: "Disc slicer", items: [words("oil the spindle")] }],
    "GET /api/procedures/lapsed": [],
    ...answers,
  });

const slicer = async () => within(await screen.findByRole("article", { name: "QK-SL1 Disc slicer" }));

describe("the shelf", () => {
  it("stands by room: the drawing, where the machine stands, what is due and what is written", async () => {
    page();
    const prep = within(await screen.findByRole("region", { name: "Prep room" }));
    expect(await prep.findByText("released")).toBeTruthy();
    expect(document.querySelectorAll(".shelf-machine path.where-part")).toHaveLength(1);
    // What is due of the procedure stands beside it, the rest at the machine, the gravest by name.
    const inForce = (await prep.findByText("old 2")).closest("li") as HTMLElement;
    expect(within(inForce).getByText("due")).toBeTruthy();
    expect(prep.getByRole("link", { name: "late: check the feet and 1 more" })).toBeTruthy();
    expect(prep.getByText("1 asked by the sheet, done by none (F2)")).toBeTruthy();
  });

  it("has each draft under what it would replace, and what was replaced is not in the way", async () => {
    page();
    const s = await slicer();
    const inForce = (await s.findByText("old 2")).closest("li") as HTMLElement;
    expect(within(inForce).getByText("old 3")).toBeTruthy();
    expect(within(inForce).getByText("draft: 2 stops, 1 fix")).toBeTruthy();
    expect(within(inForce).queryByText("other 1")).toBeNull();
    expect(s.queryByText("old 1")).toBeNull();
    expect(screen.getByText("approved: all the same: the part is on order")).toBeTruthy();
  });

  it("says what is out of use and for what nothing is written", async () => {
    page();
    const oven = within(await screen.findByRole("article", { name: "QK-OV1 Tunnel oven" }));
    expect(await oven.findByText("out of use")).toBeTruthy();
    expect(await oven.findByText("nothing written yet")).toBeTruthy();
  });

  it("does not pass as covered, clean or done what the server did not say", async () => {
    const no = new Problem(500, "no");
    page({ "GET /api/uncovered": no, "GET /api/board": no, "GET /api/due": no, "GET /api/procedures": no });
    const s = await slicer();
    await waitFor(() => expect(s.getAllByText("not known: the server did not say")).toHaveLength(4));
  });

  it("is found by machine, room, title or frequency, and the replaced ones when they are asked for", async () => {
    const { user } = page();
    const find = await screen.findByLabelText("Find a machine, a room or a procedure");
    await screen.findByText("other 1");
    await user.type(find, "weekly");
    expect(screen.getByText("other 1")).toBeTruthy();
    expect(screen.queryByText("old 2")).toBeNull();
    expect(screen.queryByText("Tunnel oven")).toBeNull();
    await user.clear(find);
    await user.type(find, "prep");
    expect(screen.getByText("old 2")).toBeTruthy();
    await user.clear(find);
    await user.selectOptions(screen.getByLabelText("State"), "RETIRED");
    expect(screen.getByText("old 1")).toBeTruthy();
    expect(screen.queryByText("old 2")).toBeNull();
    expect(screen.queryByText("Tunnel oven")).toBeNull();
    await user.type(find, "nowhere");
    expect(screen.getByText("No machine, room or procedure matches.")).toBeTruthy();
  });
});
