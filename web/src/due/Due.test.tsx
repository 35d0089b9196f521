import { fireEvent, screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, MAREN, Problem, show } from "../testing/page";
import Due from "./Due";

const HOUR = 3_600_000;
const NOW = Date.parse("2026-03-06T12:00:00Z");
const said = (english: string) => ({ id: "x", english, args: [] });

const task = (over: object) => ({
  task: "sl1-daily",
  kind: "CLEAN",
  machine: "QK-SL1",
  name: "Disc slicer, end of shift",
  depth: "END_OF_SHIFT",
  state: "LATE",
  risk: "FOOD",
  since: NOW - 40 * HOUR,
  due: NOW - 20 * HOUR,
  late: NOW - 5 * HOUR,
  needsReason: false,
  because: said("the shift ended"),
  ...over,
});

const TASKS = [
  task({}),
  task({
    task: "QK-SL1/upkeep/feet",
    kind: "UPKEEP",
    name: "Check the rubber feet",
    depth: undefined,
    state: "DUE",
    risk: "PEOPLE",
    late: NOW + 48 * HOUR,
    because: said("monthly"),
  }),
  task({
    task: "QK-DS1/kit/seals",
    kind: "KIT",
    machine: "QK-DS1",
    name: "Seals",
    depth: undefined,
    state: "BLOCKED",
    risk: "PRODUCTION",
    counter: "portions",
    because: said("the count has not been read"),
  }),
  task({ task: "fl1-daily", machine: "QK-FL1", name: "Filler, daily", state: "DONE" }),
];

function due(answers = {}, at = "/due", who: object = ILSE) {
  return show(
    <Due />,
    {
      "GET /api/due": { now: NOW, today: "2026-03-06", tasks: TASKS },
      "GET /api/board": [
        { code: "QK-SL1", name: "Disc slicer", until: NOW + 10 * 60_000, standing: "IN_USE" },
        {
          code: "QK-SW1",
          name: "Band saw",
          standing: "DIRTY",
          out: { since: NOW, why: "guard broken", who: "Ilse" },
        },
      ],
      "GET /api/session": who,
      "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
      "POST /api/stream": (body: object) => ({
        fates: [],
        state: { newest: [], entries: 1, now: Date.now() },
        ...body,
      }),
      ...answers,
    },
    at,
  );
}

describe("what is due", () => {
  it("stands by what is at stake, with how late it is, and hides what is done", async () => {
    due();
    const food = await screen.findByRole("region", { name: "Food at risk" });
    expect(within(food).getByText(/late for 5 hours/)).toBeDefined();
    expect(screen.getByText(/2 days/)).toBeDefined();
    expect(screen.queryByText("Filler, daily")).toBeNull();
    expect(screen.getByText(/3 things wait, 1 late/)).toBeDefined();
    expect(await screen.findByText(/10 minutes left/)).toBeDefined();
    expect(screen.getByText(/guard broken/)).toBeDefined();
    fireEvent.click(screen.getByLabelText(/with what is done/));
    expect(await screen.findByText("Filler, daily", { exact: false })).toBeDefined();
  });

  it("starts the round of a clean, and lets nothing go without a reason", async () => {
    const { user } = due();
    expect((await screen.findByRole("link", { name: "Start this round" })).getAttribute("href")).toBe(
      "/floor/start/sl1-daily",
    );
    await user.click(await screen.findByText("Let it go this once"));
    const keep = screen.getByRole("button", { name: "Write the reason down" });
    expect(keep.hasAttribute("disabled")).toBe(true);
    expect(screen.getByText(/makes nothing clean/)).toBeDefined();
    await user.type(screen.getByLabelText("Why, for the record"), "no hot water");
    expect(keep.hasAttribute("disabled")).toBe(false);
  });

  it("reads a count, and does not ask a cleaner to let things go", async () => {
    const { user } = due({}, "/due?task=QK-DS1/kit/seals", MAREN);
    await user.type(await screen.findByLabelText("It shows"), "1200");
    await user.click(screen.getByRole("button", { name: "Write it down" }));
    expect(await screen.findByText(/Written down/)).toBeDefined();
    expect(screen.queryByText("Let it go this once")).toBeNull();
  });

  it("says where there is nothing, and what went wrong", async () => {
    due({ "GET /api/due": { now: NOW, today: "2026-03-06", tasks: [] } });
    expect(await screen.findByText(/Nothing is due/)).toBeDefined();
    due({ "GET /api/due": new Problem(500, "The log cannot be read.") });
    expect(await screen.findByText("The log cannot be read.")).toBeDefined();
  });

  it("lays the days out by machine, daily cleans as a thread and deeper ones as marks", async () => {
    due(
      {
        "GET /api/due/ahead": [
          {
            day: "2026-03-06",
            task: "sl1-daily",
            kind: "CLEAN",
            machine: "QK-SL1",
            name: "Daily",
            depth: "DAILY",
            risk: "FOOD",
            takes: [],
          },
          {
            day: "2026-03-07",
            task: "sl1-weekly",
            kind: "CLEAN",
            machine: "QK-SL1",
            name: "Weekly",
            depth: "WEEKLY",
            risk: "FOOD",
            takes: ["Daily"],
          },
          { day: "2026-03-07", task: "check/probe", kind: "CHECK", name: "Probe", risk: "FOOD", takes: [] },
        ],
      },
      "/due?show=month",
    );
    const table = await screen.findByRole("table");
    expect(
      within(table)
        .getAllByRole("columnheader")
        .map((h) => h.textContent),
    ).toEqual(["Day", "QK-SL1", "the site"]);
    const rows = within(table).getAllByRole("row");
    expect(rows.length).toBe(36);
    expect(rows[2].textContent).toContain("Weekly");
    expect(rows[1].querySelector("td.daily")).not.toBeNull();
  });

  it("tells what else runs out, and takes in what is kept out of a machine", async () => {
    const running = (kind: string, subject: string, over: boolean, end?: number) => ({
      kind,
      rule: "F5",
      subject,
      end,
      over,
      used: false,
      what: said(`${kind} of ${subject}`),
      atZero: said("throw it away"),
    });
    const { user, sent } = due({
      "GET /api/due/running": [
        running("KEPT", "QK-DS1", true),
        running("STANDS", "QK-SW1", false, NOW + HOUR),
        running("LINES", "QK-TL1", false, NOW + 300 * HOUR),
      ],
    });
    const clocks = await screen.findByRole("region", { name: "Clocks" });
    expect(await within(clocks).findByText(/KEPT of QK-DS1: throw it away/)).toBeDefined();
    expect(within(clocks).getByText(/STANDS of QK-SW1.*then throw it away/)).toBeDefined();
    expect(within(clocks).queryByText(/LINES/)).toBeNull();
    await user.click(await within(clocks).findByRole("button", { name: "Thrown away" }));
    await user.click(within(clocks).getByText("Keep product out of a machine"));
    await user.selectOptions(within(clocks).getByLabelText("Machine"), "QK-SL1");
    await user.type(within(clocks).getByLabelText("What is kept"), "ham");
    await user.type(within(clocks).getByLabelText("In what, and where"), "tub 2, cold room");
    await user.type(within(clocks).getByLabelText("For how many hours"), "200");
    expect(within(clocks).getByText(/above 0, up to 168/)).toBeDefined();
    await user.clear(within(clocks).getByLabelText("For how many hours"));
    await user.type(within(clocks).getByLabelText("For how many hours"), "24");
    await user.click(within(clocks).getByRole("button", { name: "It is kept" }));
    const kinds = () => JSON.stringify(sent);
    await expect.poll(kinds).toContain("product-kept");
    expect(kinds()).toContain("product-gone");
  });
});
