// @vitest-environment jsdom
import { fireEvent, screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { ILSE, Problem, show } from "../testing/page";
import Tonight from "./Tonight";

vi.mock("../shared/live", () => ({ useLive: () => "live" }));

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
    { id: "sl1/1", name: "Remove: blade", group: "sl1-daily", minutes: 40, hands: true, hotLitres: 0 },
    { id: "sl1/2", name: "Soak tray", group: "sl1-daily", minutes: 20, hands: false, hotLitres: 30 },
    { id: "sl1/release", name: "Release", group: "sl1-daily", minutes: 6, hands: true, hotLitres: 0 },
  ],
  cleans: [
    { procedure: "sl1-daily", title: "Slicer", machine: "QK-SL1", wanted: 480 },
    { procedure: "ov1-weekly", title: "Oven", machine: "QK-OV1", wanted: 480 },
  ],
  said: [{ what: "late", subject: "3", minute: 60 }],
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

function tonight(answers = {}, at = "/tonight") {
  return show(
    <Tonight />,
    {
      "GET /api/tonight": NIGHT,
      "GET /api/board": [{ code: "QK-SW1", name: "Band saw", standing: "WAITING", round: "r1" }],
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
    expect(plan.querySelectorAll(".night-work").length).toBe(3);
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

  it("says what is ready when, what stands out of use, and what would help", async () => {
    tonight();
    const ready = await screen.findByRole("region", { name: "Ready and wanted" });
    expect(within(ready).getByText(/ready at 23:06/)).toBeDefined();
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

  it("makes a sheet for one person", async () => {
    tonight({}, "/tonight?person=1");
    const list = await screen.findAllByRole("listitem");
    expect(list.some((l) => l.textContent?.includes("QK-SL1: Release"))).toBe(true);
    expect(list.some((l) => l.textContent?.includes("Remove blade"))).toBe(false);
  });

  it("says what stands in the way of a plan", async () => {
    tonight({ "GET /api/tonight": new Problem(409, "No shift is told.") });
    expect(await screen.findByText("No shift is told.")).toBeDefined();
  });
});
