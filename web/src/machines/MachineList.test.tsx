import { fireEvent, screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, Problem, show } from "../testing/page";
import MachineList from "./MachineList";

const outline = { width: 400, height: 300, shapes: [{ part: "body", path: "M0 0L1 1Z" }] };
const MACHINES = [
  { code: "QK-SL1", name: "Disc slicer", room: "Prep room", version: 7, outline },
  { code: "QK-OV1", name: "Tunnel oven", room: "Bakery", version: 1 },
];
const procedure = (id: string, version: number, state: string, more = {}) => ({
  id,
  version,
  state,
  machine: "QK-SL1",
  title: "Slicer, end of shift",
  kind: "end-of-shift",
  author: "Ilse",
  savedAt: 0,
  stops: 0,
  fixes: 0,
  ...more,
});
const board = (code: string, standing: string, more = {}) => ({ code, standing, ...more });

const page = (answers = {}) =>
  show(<MachineList />, {
    "GET /api/session": ILSE,
    "GET /api/machines": MACHINES,
    "GET /api/board": [board("QK-SL1", "RELEASED"), board("QK-OV1", "DIRTY", { out: { why: "burner" } })],
    "GET /api/uncovered": [{ code: "QK-OV1", items: ["floor"] }],
    "GET /api/procedures": [
      procedure("slicer", 3, "APPROVED"),
      procedure("slicer", 4, "DRAFT", { stops: 2, fixes: 1 }),
      procedure("slicer", 2, "RETIRED"),
    ],
    ...answers,
  });

describe("the shelf of machines", () => {
  it("stands by room, with its drawing, where it stands and what is written for it", async () => {
    page();
    const prep = within(await screen.findByRole("list", { name: "Prep room" }));
    expect(await prep.findByText("released")).toBeTruthy();
    expect(document.querySelectorAll(".shelf-machine path")).toHaveLength(1);
    // The draft stands under the approved one that it would replace; what is retired is not here.
    const links = (await prep.findAllByRole("link")).map((l) => l.getAttribute("href"));
    expect(links).toEqual(["/machines/QK-SL1", "/procedures/slicer/3", "/procedures/slicer/4"]);
    expect(prep.getByText("draft: 2 STOP, 1 FIX")).toBeTruthy();
  });

  it("says what is out of use, not written or not covered", async () => {
    page();
    const bakery = within(await screen.findByRole("list", { name: "Bakery" }));
    expect(await bakery.findByText("out of use")).toBeTruthy();
    expect(await bakery.findByText("nothing approved yet")).toBeTruthy();
    expect(await bakery.findByText("1 on the sheet that nothing covers")).toBeTruthy();
  });

  it("does not pass as covered what the server did not say", async () => {
    page({ "GET /api/uncovered": new Problem(500, "no") });
    expect(await screen.findAllByText("not known: the server did not say")).toHaveLength(2);
  });

  it("finds by code, name or room, and says when nothing matches", async () => {
    page();
    await screen.findByText("QK-OV1");
    const find = screen.getByLabelText("Find a machine or a room");
    fireEvent.change(find, { target: { value: "bak" } });
    expect(screen.queryByText("QK-SL1")).toBeNull();
    expect(screen.getByText("QK-OV1")).toBeTruthy();
    fireEvent.change(find, { target: { value: "nowhere" } });
    expect(screen.getByText("No machine or room matches “nowhere”.")).toBeTruthy();
  });
});
