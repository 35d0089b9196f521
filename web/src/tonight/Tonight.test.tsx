import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, Problem, show } from "../testing/page";
import "fake-indexeddb/auto";
import Tonight from "./Tonight";

const FROM = Date.parse("2026-11-29T21:00:00Z");
const text = (english: string) => ({ id: "x", english, args: [] });

const NIGHT = {
  night: "2026-11-29",
  from: FROM,
  until: FROM + 480 * 60_000,
  now: FROM + 30 * 60_000,
  minutes: 480,
  people: [
    { id: "2", name: "Maren Oyelaran", works: true, releases: false },
    { id: "3", name: "Tobiah Renn", works: true, releases: false },
    { id: "1", name: "Ilse Varga", works: false, releases: true },
  ],
  places: [{ id: "sink", name: "sink", slots: 3 }],
  tasks: [
    {
      id: "sl1/1",
      name: "Remove: blade",
      group: "sl1-daily",
      minutes: 40,
      hands: true,
      hotLitres: 0,
      takes: [],
    },
    {
      id: "sl1/2",
      name: "Soak tray",
      group: "sl1-daily",
      minutes: 20,
      hands: false,
      hotLitres: 30,
      takes: [],
    },
    {
      id: "sl1/release",
      name: "Release",
      group: "sl1-daily",
      minutes: 6,
      hands: true,
      hotLitres: 0,
      takes: [],
    },
  ],
  cleans: [
    { procedure: "sl1-daily", title: "Slicer", machine: "QK-SL1", wanted: 480, latest: 380, again: 500 },
    { procedure: "ov1-weekly", title: "Oven", machine: "QK-OV1", wanted: 480, again: 60 },
  ],
  said: [
    { what: "late", subject: "3", minute: 60, who: "Ilse Varga", why: null, holds: true },
    { what: "dropped", subject: "ov1-weekly", minute: 0, who: "Ilse Varga", why: null, holds: false },
    { what: "handed-over", subject: "sl1-daily@3", minute: 0, who: "Tobiah Renn", why: "hurt", holds: true },
  ],
  done: [{ id: "sl1/0", name: "Unplug", group: "sl1-daily", from: 40, to: 55, hands: true, people: ["2"] }],
  seeking: false,
  moves: [
    {
      task: "sl1/1",
      what: "OTHER_TIME",
      was: { id: "sl1/1", people: ["2"], place: null, from: 20, to: 60, hands: true },
      now: { id: "sl1/1", people: ["2", "3"], place: null, from: 60, to: 100, hands: true },
    },
    {
      task: "sl1/release",
      what: "GONE",
      was: { id: "sl1/release", people: ["1"], place: null, from: 90, to: 96, hands: true },
      now: null,
    },
  ],
  plan: {
    status: "feasible",
    level: "end",
    objective: 90,
    bound: 88,
    gapPercent: 2.2,
    seconds: 1,
    levels: [],
    tasks: [
      { id: "sl1/1", people: ["2", "3"], place: null, from: 60, to: 100, hands: true },
      { id: "sl1/2", people: [], place: "sink", from: 100, to: 120, hands: false },
      { id: "sl1/release", people: ["1"], place: null, from: 120, to: 126, hands: true },
    ],
    breaks: [{ person: "2", from: 200, to: 230 }],
    water: [
      { at: 0, litres: 400 },
      { at: 100, litres: 370 },
    ],
    critical: ["sl1/1", "sl1/2", "sl1/release"],
    unplaced: [
      {
        id: "ov1-weekly",
        must: true,
        reason: "x",
        price: "x",
        saidReason: text("it takes 500 minutes from end to end"),
        saidPrice: text("production starts 20 minutes later"),
      },
    ],
  },
  peopleEnd: 140,
  peopleLeftOut: 1,
};

type Body = { entries: { id: string }[] };
const takes = (body: Body) => ({
  fates: body.entries.map((e) => ({ id: e.id, fate: "TAKEN" })),
  state: { newest: [], entries: 0, now: Date.now() },
});

function tonight(answers = {}, at = "/tonight") {
  return show(
    <Tonight />,
    {
      "GET /api/tonight": NIGHT,
      "GET /api/board": [
        { code: "QK-SW1", name: "Band saw", standing: "WAITING", round: "r1" },
        { code: "QK-FL1", name: "Filler", standing: "IN_USE", until: FROM + 3_600_000, over: false },
        { code: "QK-SL1", name: "Slicer", standing: "IN_USE", until: FROM - 3_600_000, over: true },
      ],
      "GET /api/due": { now: FROM, today: "2026-11-29", tasks: [] },
      "GET /api/procedures/lapsed": [],
      "GET /api/session": ILSE,
      "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
      ...answers,
    },
    at,
  );
}

describe("tonight", () => {
  it("draws who does what, and what runs by itself hangs in its place", async () => {
    tonight();
    const plan = await screen.findByRole("region", { name: "The plan" });
    expect(plan.querySelectorAll(".night-work").length).toBe(4);
    expect(plan.querySelectorAll(".night-work.over").length).toBe(1);
    // Whoever plans takes hold of what has not begun.
    await waitFor(() => expect(plan.querySelectorAll(".night-work.loose").length).toBe(3));
    expect(plan.querySelectorAll(".night-work .two").length).toBe(2);
    expect(plan.querySelectorAll(".night-wait.critical .thread").length).toBe(1);
    expect(plan.querySelector(".night-now")).not.toBeNull();
    expect(plan.querySelector(".night-tank .level")).not.toBeNull();
    expect(screen.getByText(/7 h 30 min to production at 05:00/)).toBeDefined();
    expect(screen.getByText(/may be up to 2.2 % from the best/)).toBeDefined();
    // The same in words, for whoever does not see it.
    expect(
      within(plan).getByText(/22:00–22:40 QK-SL1: Remove blade, Maren Oyelaran, Tobiah Renn/),
    ).toBeDefined();
  });

  it("says from when somebody more would help by the clock, not by minutes of the night", async () => {
    const [out] = NIGHT.plan.unplaced;
    const saidPrice = { id: "night.price-person-from", english: "x", args: [180] };
    tonight({
      "GET /api/tonight": { ...NIGHT, plan: { ...NIGHT.plan, unplaced: [{ ...out, saidPrice }] } },
    });
    const ready = await screen.findByRole("region", { name: "Ready and wanted" });
    expect(within(ready).getByText(/One more trained person from 00:00 on/)).toBeDefined();
  });

  it("says what is ready when, what stands out of use, and what would help", async () => {
    tonight();
    const ready = await screen.findByRole("region", { name: "Ready and wanted" });
    expect(within(ready).getByText(/ready at 23:06/)).toBeDefined();
    expect(within(ready).getByText(/begin by 03:20 at the latest/)).toBeDefined();
    expect(
      within(ready).getByText("Should a swab fail, there is no time to clean any machine again."),
    ).toBeDefined();
    expect(within(ready).getByText(/stands out of use/)).toBeDefined();
    expect(within(ready).getByText(/It takes 500 minutes.*Production starts 20 minutes later/)).toBeDefined();
    expect(
      (await screen.findByRole("link", { name: /QK-SW1 .*: look and release/ })).getAttribute("href"),
    ).toBe("/release/r1");
  });

  it("takes a change by one press, and tries one without saying it", async () => {
    const { user } = tonight();
    expect(await screen.findByText(/Tobiah Renn comes at 22:00/)).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Late" }));
    const comes = screen.getByLabelText("comes at") as HTMLSelectElement;
    expect(comes.selectedOptions[0].textContent).toBe("22:30");
    fireEvent.change(screen.getByLabelText("Who"), { target: { value: "2" } });
    await user.click(screen.getByRole("button", { name: "Only try it" }));
    expect(await screen.findByText(/only tried/)).toBeDefined();
    await user.click(screen.getByRole("button", { name: "No hot water" }));
    expect(screen.queryByLabelText("Who")).toBeNull();
  });

  it("says who said what, what does not hold, and what can be done about it", async () => {
    const { sent, user } = tonight({
      "POST /api/stream/queue": takes,
    });
    const said = await screen.findByRole("region", { name: "What has changed" });
    expect(within(said).getByText("QK-SL1 by Tobiah Renn is handed over")).toBeDefined();
    expect(within(said).getByText("Tobiah Renn: hurt")).toBeDefined();
    expect(within(said).getByText(/It stays in the plan/)).toBeDefined();
    // Who it is has to be known first.
    await waitFor(() => expect(document.querySelectorAll(".night-work.loose").length).toBe(3));
    await user.click(screen.getByRole("button", { name: "Put QK-OV1 out of use" }));
    await waitFor(() => expect(JSON.stringify(sent)).toContain("out-of-use"));
  });

  it("says what runs out, what is over already first", async () => {
    tonight();
    expect(await screen.findByText("What runs out")).toBeDefined();
    const lines = screen.getAllByRole("link", { name: /to be cleaned by|over since/ });
    expect(lines.map((l) => l.textContent)).toEqual([
      "QK-SL1: over since 20:00, clean it now",
      "QK-FL1: to be cleaned by 22:00",
    ]);
  });

  it("gives an address for the calendar of one person", async () => {
    const { user } = tonight(
      { "POST /api/due/calendar": { path: "/api/due/calendar/secret.ics" } },
      "/tonight?person=2",
    );
    await user.click(await screen.findByRole("button", { name: "Address for a calendar" }));
    const field = (await screen.findByDisplayValue(/secret.ics/)) as HTMLInputElement;
    expect(field.value).toMatch(/\/api\/tonight\/calendar\/secret.ics\?person=2$/);
  });

  it("tells each person what is new to them and what is theirs no more", async () => {
    tonight();
    const told = await screen.findByRole("region", { name: "Who has to be told" });
    const lines = within(told)
      .getAllByRole("listitem")
      .map((l) => l.textContent);
    expect(lines).toEqual([
      "Maren OyelaranQK-SL1 Remove blade: at 22:00 instead of 21:20",
      "Tobiah RennQK-SL1 Remove blade: new, at 22:00",
      "Ilse VargaQK-SL1 Release: not any more",
    ]);
  });

  it("shows what else moves and what breaks before a task is kept where it was put", async () => {
    const { sent, user } = tonight({
      "GET /api/tonight/drag": {
        tasks: NIGHT.plan.tasks,
        moves: [NIGHT.moves[1]],
        breaks: [],
        costs: [text("it ends 20 minutes after it is wanted")],
      },
      "POST /api/stream/queue": takes,
    });
    await user.click(await screen.findByRole("button", { name: "Move a task" }));
    fireEvent.change(screen.getByLabelText("To"), { target: { value: "3" } });
    fireEvent.change(screen.getByLabelText("Not before"), { target: { value: "90" } });
    await user.click(screen.getByRole("button", { name: "See what else moves" }));
    const held = await screen.findByRole("region", { name: "What it does" });
    expect(await within(held).findByText("It ends 20 minutes after it is wanted.")).toBeDefined();
    expect(within(held).getByText(/Release: not any more/)).toBeDefined();
    await user.click(within(held).getByRole("button", { name: "Keep it like this" }));
    await waitFor(() => expect(JSON.stringify(sent)).toContain("sl1/1@3"));
    expect(JSON.stringify(sent)).toContain('"value":90');
  });

  it("keeps nothing that breaks something", async () => {
    const { user } = tonight({
      "GET /api/tonight/drag": {
        tasks: NIGHT.plan.tasks,
        moves: [],
        breaks: [text("Dagny may not do it")],
        costs: [],
      },
    });
    await user.click(await screen.findByRole("button", { name: "Move a task" }));
    await user.click(screen.getByRole("button", { name: "See what else moves" }));
    expect(await screen.findByText("Dagny may not do it.")).toBeDefined();
    expect((screen.getByRole("button", { name: "Keep it like this" }) as HTMLButtonElement).disabled).toBe(
      true,
    );
    await user.click(screen.getByRole("button", { name: "Put it back" }));
    expect(screen.queryByText("Dagny may not do it.")).toBeNull();
  });

  it("tells the next morning what was planned, what was, and where the time went", async () => {
    tonight(
      {
        "GET /api/tonight/past": {
          night: "2026-11-28",
          from: FROM - 86_400_000,
          minutes: 480,
          inPlan: true,
          cleans: [
            {
              procedure: "sl1-daily",
              title: "Slicer",
              machine: "QK-SL1",
              plannedFrom: 0,
              plannedTo: 60,
              from: 10,
              to: 95,
              released: 101,
              plannedHands: 60,
              hands: 80,
              parts: [
                {
                  name: "Remove: blade",
                  planned: 20,
                  took: 45,
                  people: ["Maren Oyelaran"],
                  slowest: "Take the blade off.",
                },
                { name: "Wash: tray", planned: 10, took: 8, people: ["Maren Oyelaran"], slowest: null },
              ],
            },
            {
              procedure: "ov1-weekly",
              title: "Oven",
              machine: "QK-OV1",
              plannedFrom: 100,
              plannedTo: 200,
              from: null,
              to: null,
              released: null,
              plannedHands: 60,
              hands: 0,
              parts: [],
            },
          ],
        },
      },
      "/tonight?night=last",
    );
    expect((await screen.findAllByText("21:10 to 22:35; 80 min of work, planned 60")).length).toBe(1);
    expect(screen.getByText("was planned, and was not begun")).toBeDefined();
    const where = screen.getByRole("region", { name: "Where the time went" });
    expect(within(where).getByText("45 min instead of 20; Maren Oyelaran")).toBeDefined();
    expect(within(where).queryByText(/Wash tray/)).toBeNull();
    expect(within(where).getByText("Longest in it: Take the blade off.")).toBeDefined();
  });

  it("makes a sheet for one person", async () => {
    tonight({}, "/tonight?person=1");
    const plan = await screen.findByRole("region", { name: "The plan" });
    const list = within(plan).getAllByRole("listitem");
    expect(list.some((l) => l.textContent?.includes("QK-SL1: Release"))).toBe(true);
    expect(list.some((l) => l.textContent?.includes("Remove blade"))).toBe(false);
  });

  it("says what stands in the way of a plan", async () => {
    tonight({ "GET /api/tonight": new Problem(409, "No shift is told.") });
    expect(await screen.findByText("No shift is told.")).toBeDefined();
  });
});
