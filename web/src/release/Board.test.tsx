import { screen, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ILSE, NO_SIGNAL, Problem, show } from "../testing/page";
import { words } from "../testing/words";
import Board from "./Board";

const NOW = Date.parse("2027-02-01T23:00:00Z");
const machine = (code: string, standing: string, more = {}) => ({
  code,
  name: `Machine ${code}`,
  room: "Prep room",
  standing,
  over: false,
  done: 0,
  steps: 0,
  timers: [],
  locks: [],
  troubles: 0,
  differences: 0,
  alarms: [],
  ...more,
});

class NoEvents {
  close() {}
  addEventListener() {}
}

const page = (machines: unknown, answers = {}, wall = false) => {
  vi.stubGlobal("EventSource", NoEvents);
  return show(<Board wall={wall} />, { "GET /api/session": ILSE, "GET /api/board": machines, ...answers });
};
const line = async (code: string) => {
  const name = await screen.findByText(code);
  return within(name.closest("li") as HTMLElement);
};

beforeEach(() => vi.spyOn(Date, "now").mockReturnValue(NOW));
afterEach(() => vi.restoreAllMocks());

describe("the board", () => {
  it("tells what runs out at a machine and of the vessels, and louder a quarter of an hour before", async () => {
    const said = (english: string) => ({ id: "x", english, args: [] });
    const run = (kind: string, subject: string, minutes: number, rule: string) => ({
      kind,
      rule,
      subject,
      end: NOW + minutes * 60_000,
      over: minutes <= 0,
      used: false,
      what: said(`${kind} of ${subject}`),
      atZero: said("throw it away"),
    });
    page([machine("A1", "RELEASED"), machine("B1", "DIRTY")], {
      "GET /api/due/running": [
        run("KEPT", "A1", 12, "F5"),
        run("STANDS", "B1", -1, "F4"),
        run("SOLUTION", "bucket", 40, "S10"),
        run("LINES", "B1", 9000, "F6"),
        run("SETTING", "B1", 30, ""),
      ],
    });
    const a = await line("A1");
    const kept = await a.findByText(/KEPT of A1: until 23:12, 12 minutes left; then throw it away/);
    expect(kept.className).toBe("runs-out near");
    const b = await line("B1");
    expect(b.getByText(/STANDS of B1: throw it away/).className).toBe("runs-out over");
    expect(b.queryByText(/LINES|SETTING/)).toBeNull();
    expect(screen.getByText(/SOLUTION of bucket: until 23:40/).className).toBe("runs-out");
  });

  it("does not pass as not running what the server did not say", async () => {
    page([machine("A1", "RELEASED")], { "GET /api/due/running": new Problem(500, "no") });
    expect(await screen.findByText(/What runs out is not known/)).toBeTruthy();
  });

  it("says in words since when and until when, beside the shape", async () => {
    page([
      machine("A1", "IN_USE", { since: NOW - 90 * 60_000, until: NOW + 150 * 60_000 }),
      machine("B1", "DIRTY", { waits: words("waiting for cleaning; last cleaned: no record") }),
    ]);
    const a = await line("A1");
    expect(a.getByText(/in use, since 21:30 \(1 h 30 min\), until 01:30 \(2 h 30 min left\)/)).toBeTruthy();
    expect((await line("B1")).getByText("Waiting for cleaning; last cleaned: no record.")).toBeTruthy();
  });

  it("says that a time is over rather than how much is left of it", async () => {
    page([machine("A1", "IN_USE", { until: NOW - 60_000, over: true })]);
    expect((await line("A1")).getByText(/over its time since 22:59/)).toBeTruthy();
  });

  it("shows the round that goes on: who, how far, what runs, what went wrong", async () => {
    page([
      machine("A1", "CLEANING", {
        title: "Slicer",
        who: "Pell",
        phase: "Wash",
        done: 3,
        steps: 33,
        timers: [
          { step: "tray", name: words("tray soaking"), ends: NOW + 5 * 60_000 },
          { step: "rod", name: words("rod soaking"), ends: NOW - 1 },
        ],
        troubles: 1,
        differences: 2,
        alarms: [words("Step 20: 62 mg/L at 18 °C is not in.")],
        round: "r1",
      }),
    ]);
    const a = await line("A1");
    expect(a.getByText("Wash, 3 of 33 steps")).toBeTruthy();
    expect(a.getByText("tray soaking: 5 min left")).toBeTruthy();
    expect(a.getByText("rod soaking: time is up")).toBeTruthy();
    expect(a.getByText("Step 20: 62 mg/L at 18 °C is not in.")).toBeTruthy();
    expect(a.getByText("Read 1 deviation before you release it")).toHaveProperty("pathname", "/release/r1");
    expect(a.getByText("Look at 2 entries that do not fit the round")).toHaveProperty(
      "pathname",
      "/logbook/r1",
    );
    expect(a.getByRole("link", { name: "To the round" })).toHaveProperty("pathname", "/floor/r1");
  });

  it("stands by room, and says what is out of use rather than how it stood", async () => {
    page([
      machine("A1", "RELEASED", { since: NOW, out: { since: NOW, why: "burner", who: "Ilse" } }),
      machine("B1", "DIRTY", { room: "Bakery" }),
    ]);
    const prep = within(await screen.findByRole("list", { name: "Prep room" }));
    expect(prep.getByText("out of use")).toBeTruthy();
    expect(prep.getByText("burner")).toBeTruthy();
    expect(prep.queryByText("B1")).toBeNull();
  });

  it("names who is locked on where", async () => {
    page([machine("A1", "CLEANING", { locks: [{ who: "Pell", lock: "17", energy: "drive", at: NOW }] })]);
    expect((await screen.findByText("Pell")).closest("li")?.textContent).toBe(
      "Pell, lock 17, on A1 drive, since 23:00",
    );
  });

  it.each([
    ["RELEASED", ["Production starts", "It is dirty"]],
    ["IN_USE", ["It is dirty"]],
    ["DIRTY", []],
  ])("offers for %s what can be done: %s", async (standing, offered) => {
    page([machine("A1", standing)]);
    await screen.findByText("A1");
    await vi.waitFor(async () =>
      expect((await line("A1")).queryAllByRole("button").map((b) => b.textContent)).toEqual(offered),
    );
  });

  it("says why production does not start", async () => {
    const { user } = page([machine("A1", "RELEASED")], {
      "POST /api/board/A1": new Problem(409, "A1 is not released, so production does not start on it."),
    });
    await user.click(await screen.findByRole("button", { name: "Production starts" }));
    expect((await screen.findByRole("alert")).textContent).toMatch(/not released/);
  });

  it("has nothing to press on the wall", async () => {
    page([machine("A1", "RELEASED"), machine("B1", "WAITING", { round: "r" })], {}, true);
    await screen.findByText("A1");
    expect(screen.queryAllByRole("button")).toEqual([]);
    expect(screen.queryAllByRole("link")).toEqual([]);
  });

  it("says that it lost the connection, and has a way to try", async () => {
    page(NO_SIGNAL);
    expect(await screen.findByText(/Connection lost/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Try again" })).toBeTruthy();
  });

  it("says that there is no machine yet", async () => {
    page([]);
    expect(await screen.findByText("No machine has a sheet yet.")).toBeTruthy();
    expect(screen.getByText("None.")).toBeTruthy();
  });
});
