import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { NO_SIGNAL, Problem, show } from "../testing/page";
import FloorPick from "./FloorPick";

const row = (machine: string, title: string, more = {}) => ({
  procedure: title,
  version: 1,
  machine,
  title,
  kind: "daily",
  ...more,
});
const stands = (code: string, standing: string, since?: number) => ({ code, standing, since });

const ROWS = [
  row("A1", "released"),
  row("B1", "dirty"),
  row("C1", "open", { openRound: "r1", startedBy: "Pell" }),
  row("D1", "held"),
];
const BOARD = [
  stands("A1", "RELEASED", 1_800_000_000_000),
  stands("B1", "DIRTY"),
  stands("C1", "CLEANING"),
  stands("D1", "HELD"),
];

const page = (answers: object, address = "/floor") =>
  show(
    <FloorPick />,
    { "GET /api/floor": ROWS, "GET /api/board": BOARD, ...answers },
    address,
    address === "/floor" ? "/floor" : "/floor/at/:machine",
  );

const titles = async () => {
  await screen.findAllByRole("listitem");
  return screen.getAllByRole("listitem").map((l) => within(l).getByText(/^[A-D]1$/).textContent);
};

describe("the first screen of the floor", () => {
  it("begins with what goes on, then what is dirty, then what is held", async () => {
    page({});
    await screen.findByText(/released since/);
    expect(await titles()).toEqual(["C1", "B1", "D1", "A1"]);
  });

  it("takes a machine of which the board says nothing for dirty", async () => {
    page({ "GET /api/board": [stands("A1", "RELEASED"), stands("D1", "HELD")] });
    await screen.findByText("released", { selector: ".floor-stands" });
    expect(await titles()).toEqual(["C1", "B1", "D1", "A1"]);
  });

  it("puts what is late before what is only dirty, and what is done last", async () => {
    const falls = (task: string, state: string) => ({ task, state });
    page({
      "GET /api/due": {
        now: 0,
        today: "2026-11-30",
        tasks: [falls("released", "LATE"), falls("dirty", "DONE"), falls("held", "DUE")],
      },
    });
    await screen.findByText("late");
    expect(await titles()).toEqual(["C1", "A1", "D1", "B1"]);
  });

  it("shows all procedures although the board cannot be read", async () => {
    page({ "GET /api/board": new Problem(500, "broken") });
    expect((await titles()).length).toBe(4);
  });

  it("shows one machine where its label leads, and the way to all", async () => {
    page({}, "/floor/at/B1");
    expect(await titles()).toEqual(["B1"]);
    expect(screen.getByRole("link", { name: "All machines" })).toBeTruthy();
  });

  it("says that nothing is approved for a machine, and that nothing is at all", async () => {
    page({}, "/floor/at/Z9");
    expect(await screen.findByText("No procedure is approved for Z9.")).toBeTruthy();
  });

  it("says so on a site without any approved procedure", async () => {
    page({ "GET /api/floor": [] });
    expect(await screen.findByText(/nothing to carry out/)).toBeTruthy();
  });

  it("gives an auditor nothing to start, and a look at what goes on", async () => {
    page({ "GET /api/session": { name: "Anselm", role: "AUDITOR" } });
    expect(await screen.findByRole("button", { name: "Look" })).toBeTruthy();
    expect(screen.queryByText("Get ready")).toBeNull();
  });

  it("knows the list of last time without signal", async () => {
    page({});
    await titles();
    document.body.replaceChildren();
    page({ "GET /api/floor": NO_SIGNAL, "GET /api/board": NO_SIGNAL });
    expect((await titles()).length).toBe(4);
  });
});
