import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { NO_SIGNAL, Problem, show } from "../testing/page";
import { NextForMe } from "./NextForMe";

const FROM = Date.parse("2026-11-30T21:00:00Z");
const NIGHT = {
  night: "2026-11-30",
  from: FROM,
  until: FROM + 480 * 60_000,
  now: FROM + 30 * 60_000,
  minutes: 480,
  people: [{ id: "2", name: "Maren Oyelaran", works: true, releases: false, machines: ["QK-SL1"] }],
  places: [],
  tasks: [
    { id: "sl1/1", name: "Remove: blade", group: "sl1", minutes: 20, hands: true, hotLitres: 0, takes: [] },
    { id: "sl1/2", name: "Wash: tray", group: "sl1", minutes: 30, hands: true, hotLitres: 0, takes: [] },
    { id: "fl1/1", name: "Wash: piston", group: "fl1", minutes: 30, hands: true, hotLitres: 0, takes: [] },
    { id: "ov1/1", name: "Remove: belt", group: "ov1", minutes: 10, hands: true, hotLitres: 0, takes: [] },
    { id: "ov1/2", name: "Wash: belt", group: "ov1", minutes: 10, hands: true, hotLitres: 0, takes: [] },
  ],
  cleans: [
    { procedure: "sl1", title: "Slicer", machine: "QK-SL1", wanted: 480 },
    { procedure: "fl1", title: "Filler", machine: "QK-FL1", wanted: 480 },
    { procedure: "ov1", title: "Oven", machine: "QK-OV1", wanted: 480 },
  ],
  said: [] as object[],
  done: [],
  seeking: false,
  moves: [],
  plan: {
    tasks: [
      { id: "sl1/1", people: ["2"], place: null, from: 0, to: 20, hands: true },
      { id: "sl1/2", people: ["2"], place: null, from: 40, to: 70, hands: true },
      { id: "fl1/1", people: ["3"], place: null, from: 40, to: 70, hands: true },
      { id: "ov1/1", people: ["2", "3"], place: null, from: 90, to: 100, hands: true },
      { id: "ov1/2", people: ["2"], place: null, from: 100, to: 110, hands: true },
    ],
  },
};

type Body = { entries: { id: string; kind: string; figures: { name: string; text?: string }[] }[] };
const takes = (body: Body) => ({
  fates: body.entries.map((e) => ({ id: e.id, fate: "TAKEN" })),
  state: { newest: [], entries: 1, now: Date.now() },
});

const next = (answers = {}) =>
  show(<NextForMe />, {
    "GET /api/tonight": NIGHT,
    "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
    "POST /api/stream/queue": takes,
    ...answers,
  });

const figures = (sent: { body: unknown }[]) =>
  Object.fromEntries((sent[0].body as Body).entries[0].figures.map((f) => [f.name, f.text]));

describe("what the plan has next for whoever is here", () => {
  it("shows their own next things and nobody else's, and leads to the first", async () => {
    next();
    const section = await screen.findByRole("region", { name: "Next for you" });
    const lines = within(section)
      .getAllByRole("listitem")
      .map((l) => l.textContent);
    // What is over is not next, and what is another's is not theirs.
    expect(lines).toEqual([
      "21:40 QK-SL1 Wash tray",
      "22:30 QK-OV1 Remove belt · 2 people",
      "22:40 QK-OV1 Wash belt",
    ]);
    expect(within(section).getByRole("link", { name: "To QK-SL1" }).getAttribute("href")).toBe(
      "/floor/at/QK-SL1",
    );
  });

  it("says from whom a machine is taken over, and that locks change hands at it", async () => {
    const [, ...others] = NIGHT.plan.tasks;
    const [first, wash, ...rest] = NIGHT.tasks;
    next({
      "GET /api/tonight": {
        ...NIGHT,
        tasks: [first, { ...wash, takes: ["parts cart", "step ladder"] }, ...rest],
        people: [
          ...NIGHT.people,
          { id: "3", name: "Pell Okonjo", works: true, releases: false, machines: [] },
        ],
        plan: { tasks: [{ ...NIGHT.plan.tasks[0], people: ["3"] }, ...others] },
      },
    });
    expect(
      await screen.findByText(
        "You take over from Pell Okonjo. Where it is locked out: your lock on before theirs comes off.",
      ),
    ).toBeDefined();
    expect(screen.getByText("Take parts cart and step ladder.")).toBeDefined();
  });

  it("takes a clean on by one press", async () => {
    const { sent, user } = next();
    await user.click(await screen.findByRole("button", { name: "I take QK-SL1 on" }));
    await waitFor(() => expect(sent.length).toBe(1));
    expect(figures(sent)).toMatchObject({ what: "accepted", subject: "sl1@2", night: "2026-11-30" });
  });

  it("hands it over only with a reason", async () => {
    const { sent, user } = next();
    await user.click(await screen.findByRole("button", { name: "I cannot" }));
    expect(sent.length).toBe(0);
    await user.click(screen.getByRole("button", { name: "I was not shown it" }));
    await waitFor(() => expect(sent.length).toBe(1));
    expect(figures(sent)).toMatchObject({
      what: "handed-over",
      subject: "sl1@2",
      why: "I was not shown it",
    });
    expect(screen.queryByRole("group")).toBeNull();
  });

  it("says what was taken on already", async () => {
    next({
      "GET /api/tonight": {
        ...NIGHT,
        said: [{ what: "accepted", subject: "sl1@2", minute: 0, who: "Maren Oyelaran", holds: true }],
      },
    });
    expect(await screen.findByText("You have taken QK-SL1 on.")).toBeDefined();
    expect(screen.queryByRole("button", { name: "I take QK-SL1 on" })).toBeNull();
  });

  it("says nothing to whom the plan gives nothing, and without a plan", async () => {
    const { router } = next({
      "GET /api/session": { name: "Dagny Sollis", role: "CREW", person: "4" },
    });
    await waitFor(() => expect(router.state.initialized).toBe(true));
    expect(screen.queryByText("Next for you")).toBeNull();
  });

  it("stays quiet where there is no plan", async () => {
    next({ "GET /api/tonight": new Problem(409, "No shift is told.") });
    await new Promise((r) => setTimeout(r, 0));
    expect(screen.queryByText("Next for you")).toBeNull();
  });

  it("knows without signal what it heard before", async () => {
    next();
    await screen.findByText("Next for you");
    document.body.innerHTML = "";
    next({ "GET /api/tonight": NO_SIGNAL });
    expect(await screen.findByText("Next for you")).toBeDefined();
  });
});
