// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { MAREN, NO_SIGNAL, Problem, show, WAITS } from "../testing/page";
import Before from "./Before";

const VIEW = {
  procedure: "saw",
  version: 1,
  machine: "QK-SW1",
  machineName: "Band saw",
  title: "Band saw, every night",
  fitted: "",
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

const page = (answers: object) =>
  show(<Before />, { "GET /api/session": MAREN, ...answers }, "/floor/start/saw", "/floor/start/:procedure");
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
    expect(screen.getByText("Nobody yet; a supervisor starts it.")).toBeTruthy();
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
    page(view({ whyNot: "Pell was not shown the work." }));
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
    expect(screen.getByText("This round puts in 2 new.")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Saw blade less" })).toHaveProperty("disabled", true);
  });

  it("counts none first, since that is what one has to say most", async () => {
    const { user, sent } = page({ ...view(), "PUT /api/machines/QK-SW1/spares/blade": {} });
    await user.click(await screen.findByRole("button", { name: "Saw blade more" }));
    await waitFor(() => expect(sent[0].body).toEqual({ count: 0 }));
  });

  it("keeps the old count when the new one is not taken", async () => {
    const { user } = page({
      ...view(),
      "PUT /api/machines/QK-SW1/spares/guide": new Problem(422, "0 to 999."),
    });
    await user.click(await screen.findByRole("button", { name: "Guide more" }));
    expect((await screen.findByRole("alert")).textContent).toBe("0 to 999.");
    expect(screen.getByLabelText("Guide in stock").textContent).toBe("1");
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
