import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { Problem, show } from "../testing/page";
import RoundList from "./RoundList";

const STARTED = Date.parse("2026-11-30T22:10:00Z");

const row = (round: string, more: object = {}) => ({
  round,
  machine: "QK-SL1",
  title: "Slicer, end of shift",
  version: 3,
  startedBy: "Maren Oyelaran",
  startedAt: STARTED,
  closedBy: "Ilse Varga",
  closedAt: STARTED + 3_600_000,
  ...more,
});

const WHOLE = { whole: true, entries: 804, all: 804, changed: [] };

function list(answers: object = {}, at = "/logbook") {
  return show(
    <RoundList />,
    {
      "GET /api/machines": [
        { code: "QK-SL1", name: "Blade slicer" },
        { code: "QK-OV1", name: "Tunnel oven" },
      ],
      "GET /api/logbook": [row("r1"), row("r2", { closedBy: undefined, closedAt: undefined })],
      "GET /api/logbook/integrity": WHOLE,
      ...answers,
    },
    at,
  );
}

describe("the logbook", () => {
  it("lists rounds with who began and who closed them, and says what is still open", async () => {
    list();
    const links = await screen.findAllByRole("link", { name: "Slicer, end of shift" });
    expect(links.map((l) => l.getAttribute("href"))).toEqual(["/logbook/r1", "/logbook/r2"]);
    expect(screen.getAllByText("Ilse Varga")).toHaveLength(1);
    expect(screen.getByText("still open")).toBeTruthy();
    expect(await screen.findByText(/Chain whole over 804 entries/)).toBeTruthy();
  });

  it("keeps the machine and the days that are asked for in the address", async () => {
    const { router, user } = list();
    await screen.findAllByRole("link", { name: "Slicer, end of shift" });
    await user.selectOptions(screen.getByRole("combobox", { name: "Machine" }), "QK-OV1");
    await waitFor(() => expect(router.state.location.search).toContain("machine=QK-OV1"));
    expect(screen.getByRole("option", { name: "QK-OV1 tunnel oven" })).toBeTruthy();
  });

  it("says which it is when nothing is there", async () => {
    list({ "GET /api/logbook": [] });
    expect(await screen.findByText(/No round has been carried out yet/)).toBeTruthy();
  });

  it("says so when nothing is there between two days", async () => {
    list({ "GET /api/logbook": [] }, "/logbook?from=2026-11-01&to=2026-11-02");
    expect(await screen.findByText("No round between these days at this machine.")).toBeTruthy();
  });

  it("says where the chain is broken, and what was changed by something else", async () => {
    list({
      "GET /api/logbook/integrity": {
        whole: false,
        entries: 17,
        all: 804,
        firstBroken: 18,
        changed: [{ id: "", english: "the sheet of QK-SL1, version 2", args: [] }],
      },
    });
    expect(await screen.findByText(/The chain is broken at entry 18/)).toBeTruthy();
    expect(screen.getByRole("alert").textContent).toContain("The sheet of QK-SL1, version 2");
  });

  it("says how far the chain was walked, and by whom it is signed", async () => {
    list({ "GET /api/logbook/integrity": { ...WHOLE, entries: 400, signedAt: STARTED } });
    expect(await screen.findByText(/whole over 400 of 804 entries; the rest is being walked/)).toBeTruthy();
    expect(screen.getByRole("link", { name: /\d\d:\d\d/ }).getAttribute("href")).toBe("/api/logbook/head");
  });

  it("says why when it cannot be read, and reads again when told to", async () => {
    let answer: unknown = new Problem(503, "The logbook is being restored.");
    const { user } = list({ "GET /api/logbook": () => answer });
    expect(await screen.findByText(/being restored/)).toBeTruthy();
    answer = [row("r1")];
    await user.click(screen.getByRole("button", { name: /again/i }));
    expect(await screen.findByRole("link", { name: "Slicer, end of shift" })).toBeTruthy();
  });
});
