import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { MAREN, Problem, show } from "../testing/page";
import Trouble from "./Trouble";

const step = (over: object) => ({
  because: "SHEET",
  state: "STOPPED",
  raised: false,
  look: { id: "x", english: "knob overtightened", args: [] },
  cure: { id: "y", english: "loosen it", args: [] },
  qualified: false,
  ...over,
});

const TROUBLE = {
  code: "QK-SL1",
  name: "Disc slicer",
  last: {
    round: "r1",
    title: "Disc slicer, end of shift",
    at: Date.parse("2026-03-05T21:00:00Z"),
    who: "Maren Oyelaran",
  },
  symptoms: [
    {
      id: "ragged",
      symptom: "Slices are ragged",
      steps: [
        step({
          state: "LOCKED_OUT",
          raised: true,
          because: "PUT_BACK",
          part: "scraper",
          look: { id: "z", english: "scraper not home", args: [] },
        }),
        step({ qualified: true }),
      ],
    },
  ],
  faults: [
    {
      text: "F9",
      means: "no flame",
      cure: "Wait five minutes.",
      stop: "After two tries call the gas service.",
    },
  ],
  signs: [{ sign: "a soft hum", normal: true, means: "the drive" }],
  before: [],
};

const trouble = (answers = {}, at = "/machines/QK-SL1/trouble") =>
  show(
    <Trouble />,
    {
      "GET /api/machines/QK-SL1/trouble": TROUBLE,
      "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
      "GET /api/session": MAREN,
      ...answers,
    },
    at,
    "/machines/:code/trouble",
  );

describe("what is wrong with a machine", () => {
  it("says first in which state it has to be, then looks at one thing after the other", async () => {
    const { user } = trouble();
    await user.click(await screen.findByRole("button", { name: "Slices are ragged" }));
    expect(await screen.findByText(/has to be locked out and verified/)).toBeDefined();
    expect(screen.getByText(/lock it out first/)).toBeDefined();
    expect(screen.getByText("Scraper not home?")).toBeDefined();
    expect(screen.getByText(/It went back at the last clean/)).toBeDefined();
    await user.click(screen.getByRole("button", { name: "No" }));
    expect(screen.getByText(/Only a qualified person/)).toBeDefined();
    await user.click(screen.getByRole("button", { name: "No" }));
    expect(screen.getByText(/call service/)).toBeDefined();
    expect(within(screen.getByRole("list")).getAllByRole("listitem").length).toBe(2);
  });

  it("writes down what cured it, and goes on where it did not", async () => {
    const { user } = trouble({}, "/machines/QK-SL1/trouble?symptom=ragged");
    await user.click(await screen.findByRole("button", { name: "Yes, it is so" }));
    await user.click(screen.getByRole("button", { name: "It is still wrong" }));
    await user.click(screen.getByRole("button", { name: "Yes, it is so" }));
    expect(screen.getByText("Loosen it")).toBeDefined();
    await user.click(await screen.findByRole("button", { name: /That cured it/ }));
    expect(await screen.findByText(/The next time it stands first/)).toBeDefined();
  });

  it("explains what the machine shows, and when to stop", async () => {
    trouble();
    expect(await screen.findByText("F9")).toBeDefined();
    expect(screen.getByText("After two tries call the gas service.")).toBeDefined();
    expect(screen.getByText(/Normal: the drive/)).toBeDefined();
    expect(screen.getByText(/Last apart: Disc slicer, end of shift/)).toBeDefined();
  });

  it("says where the sheet tells nothing, and what went wrong", async () => {
    trouble({
      "GET /api/machines/QK-SL1/trouble": {
        ...TROUBLE,
        symptoms: [],
        faults: [],
        signs: [],
        last: undefined,
      },
    });
    expect(await screen.findByText(/tells no symptom/)).toBeDefined();
    trouble({ "GET /api/machines/QK-SL1/trouble": new Problem(404, "There is no machine.") });
    expect(await screen.findByText("There is no machine.")).toBeDefined();
  });
});
