import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { MAREN, NO_SIGNAL, Problem, show, WAITS } from "../testing/page";
import { words } from "../testing/words";
import Before from "./Before";

const VIEW = {
  procedure: "saw",
  version: 1,
  machine: "QK-SW1",
  machineName: "Band saw",
  title: "Band saw, every night",
  fitted: [],
  trained: ["Maren Oyelaran"],
  ppe: ["goggles"],
  things: ["blade tray"],
  spares: [
    { part: "blade", name: "Saw blade", replaced: 0, lacking: false },
    {
      part: "guide",
      name: "Guide",
      replaced: 2,
      lacking: true,
      count: 1,
      at: 1_800_000_000_000,
      who: "Pell",
    },
  ],
  steps: 41,
  minutes: 74.6,
};

type Body = { entries: { id: string; figures: { value?: number }[]; tabletTime: number }[] };
const EMPTY = { newest: [], entries: 0, now: 1_800_000_000_000 };
const REFUSED = { fates: [{ id: "x", fate: "REFUSED", why: "Not by you." }] };
const counts = (body: Body) => body.entries.map((e) => e.figures[2].value);

/** A server that takes it and says so. */
const takes = (body: Body) => ({
  fates: body.entries.map((e) => ({ id: e.id, fate: "TAKEN" })),
  state: {
    ...EMPTY,
    entries: body.entries.length,
    newest: body.entries.slice(-1).map((entry) => ({ entry, who: "Maren", person: "2", at: 1 })),
  },
});

const page = (answers: object) =>
  show(
    <Before />,
    { "GET /api/session": MAREN, "GET /api/stream": EMPTY, ...answers },
    "/floor/start/saw",
    "/floor/start/:procedure",
  );
const view = (more = {}) => ({ "GET /api/floor/saw": { ...VIEW, ...more } });
const start = () => screen.findByRole("button", { name: "Start the round" });

describe("before the first step", () => {
  it("says what is worn, what is fetched and how long it takes", async () => {
    page(view());
    expect(await screen.findByText("41 steps, about 75 minutes")).toBeTruthy();
    expect(screen.getByText("goggles")).toBeTruthy();
    expect(screen.getByText("blade tray")).toBeTruthy();
  });

  it("does not say that nothing is worn where nothing is asked for", async () => {
    page(view({ ppe: [], things: [], trained: [] }));
    expect(await screen.findByText(/nothing more than your work clothes/)).toBeTruthy();
    expect(screen.getByText("Nothing is named.")).toBeTruthy();
    expect(screen.getByText("Nobody yet; a supervisor has to start it.")).toBeTruthy();
  });

  it("starts, and goes to the round", async () => {
    const { user, router, sent } = page({
      ...view(),
      "POST /api/rounds": { state: { id: "r7" }, pack: {} },
    });
    await user.click(await start());
    await waitFor(() => expect(router.state.location.pathname).toBe("/floor/r7"));
    expect(sent[0].body).toEqual({ procedure: "saw" });
  });

  it("is not started by somebody who may not, and says why", async () => {
    page(view({ whyNot: words("Pell was not shown the work.") }));
    expect(await start()).toHaveProperty("disabled", true);
    expect(screen.getByText("Pell was not shown the work.")).toBeTruthy();
  });

  it("is joined when it goes on already, by those who may not start it as well", async () => {
    const { user, router } = page(view({ openRound: "r9", whyNot: "not shown" }));
    await user.click(await screen.findByRole("button", { name: /join in/ }));
    expect(router.state.location.pathname).toBe("/floor/r9");
  });

  it("says why the server did not start it", async () => {
    const { user } = page({ ...view(), "POST /api/rounds": new Problem(403, "Somebody of 17.") });
    await user.click(await start());
    expect((await screen.findByRole("alert")).textContent).toBe("Somebody of 17.");
  });

  it("tells not counted from none, and what is too few", async () => {
    page(view());
    expect((await screen.findByLabelText("Saw blade in stock")).textContent).toBe("?");
    expect(screen.getByText("not counted yet")).toBeTruthy();
    expect(screen.getByLabelText("Guide in stock").textContent).toBe("1");
    expect(screen.getByText("This round uses 2 new.")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Saw blade less" })).toHaveProperty("disabled", true);
  });

  it("counts none first, since that is what one has to say most", async () => {
    const { user, sent } = page({ ...view(), "POST /api/stream/queue": takes });
    await user.click(await screen.findByRole("button", { name: "Saw blade more" }));
    await waitFor(() => expect(sent.length).toBe(1));
    expect(sent[0].body).toMatchObject({
      entries: [{ kind: "spares-counted", figures: [{ text: "QK-SW1" }, { text: "blade" }, { value: 0 }] }],
    });
    expect(screen.getByLabelText("Saw blade in stock").textContent).toBe("0");
  });

  it("counts on without signal, and sends it all in order once there is some", async () => {
    let signal = false;
    const delivered: (number | undefined)[] = [];
    const { user } = page({
      ...view(),
      "POST /api/stream/queue": (body: Body) => {
        if (!signal) {
          return NO_SIGNAL;
        }
        delivered.push(...counts(body));
        return takes(body);
      },
    });
    const more = await screen.findByRole("button", { name: "Guide more" });
    await user.click(more);
    await user.click(more);
    expect(screen.getByLabelText("Guide in stock").textContent).toBe("3");
    signal = true;
    await user.click(more);
    await waitFor(() => expect(delivered).toEqual([2, 3, 4]));
    await waitFor(() => expect(screen.getByLabelText("Guide in stock").textContent).toBe("4"));
  });

  it("says why the server did not take a count, and shows the old one", async () => {
    const { user } = page({
      ...view(),
      "POST /api/stream/queue": (body: Body) => ({ ...takes(body), ...REFUSED, state: EMPTY }),
    });
    await user.click(await screen.findByRole("button", { name: "Guide more" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Not by you.");
    await waitFor(() => expect(screen.getByLabelText("Guide in stock").textContent).toBe("1"));
  });

  it("waits, and says that it waits", async () => {
    page({ "GET /api/floor/saw": WAITS });
    expect(await screen.findByText("Loading…")).toBeTruthy();
  });

  it("says that there is no signal, and tries again when told to", async () => {
    let tries = 0;
    const { user } = page({ "GET /api/floor/saw": () => (tries++ === 0 ? NO_SIGNAL : VIEW) });
    expect((await screen.findByRole("alert")).textContent).toMatch(/cannot be reached/);
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("goggles")).toBeTruthy();
  });
});
