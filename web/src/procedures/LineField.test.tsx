import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Step } from "../ribbon/draft";
import table from "../testing/actions.json";
import { ILSE, Problem, show } from "../testing/page";
import { words } from "../testing/words";
import { LineField } from "./LineField";

const SHEET = {
  code: "QK-SL1",
  parts: [
    { id: "blade", name: "Blade", surfaces: [{ id: "face", name: "Blade, face" }] },
    { id: "pusher", name: "Pusher", surfaces: [] },
  ],
  energies: [],
  passages: [],
  checks: [],
  fittings: [],
};

const RINSE = { id: "s4", action: "rinse", items: ["blade"], words: "Rinse it well." } as unknown as Step;

function field(step: Step | null, answers: object = {}) {
  const onStep = vi.fn<(step: Step) => void>();
  const page = show(<LineField machine="QK-SL1" step={step} label="As a line" onStep={onStep} />, {
    "GET /api/session": ILSE,
    "GET /api/machines/QK-SL1": SHEET,
    "GET /api/chemicals": [{ id: "suds", name: "Sudmere N" }],
    "GET /api/actions": table,
    "POST /api/notation/line": { line: "Rinse Blade #s4" },
    "POST /api/notation/step": { step: { id: "new", action: "rinse", items: ["pusher"] }, slips: [] },
    ...answers,
  });
  return { ...page, onStep };
}

const line = () => screen.getByLabelText("As a line") as HTMLTextAreaElement;

describe("a step typed as a line", () => {
  it("shows the step as a line, without its id", async () => {
    field(RINSE);
    await waitFor(() => expect(line().value).toBe("Rinse Blade"));
  });

  it("takes over what is understood, and keeps what a line does not say", async () => {
    const { user, onStep, sent } = field(RINSE);
    await waitFor(() => expect(line().value).toBe("Rinse Blade"));
    await user.clear(line());
    await user.type(line(), "Rinse Pusher");
    expect(await screen.findByText("Enter accepts it, Escape closes the list.")).toBeTruthy();
    await user.type(line(), "{Enter}");
    await waitFor(() => expect(onStep).toHaveBeenCalled());
    expect(onStep.mock.lastCall?.[0]).toMatchObject({
      action: "rinse",
      items: ["pusher"],
      id: "s4",
      words: "Rinse it well.",
    });
    expect(sent.some((s) => (s.body as { line?: string }).line === "Rinse Pusher")).toBe(true);
  });

  it("offers the names of this machine, and puts the picked one in", async () => {
    const { user } = field(null);
    await user.type(line(), "Rinse pu");
    const option = await screen.findByRole("option", { name: "Pusher" });
    await user.type(line(), "{ArrowDown}");
    expect(option.getAttribute("aria-selected")).toBe("true");
    await user.type(line(), "{Enter}");
    expect(line().value).toBe("Rinse Pusher");
    expect(screen.queryByRole("option")).toBeNull();
  });

  it("tells what it does not understand with the nearest names, and mends it by one press", async () => {
    const { user, onStep } = field(null, {
      "POST /api/notation/step": (body: unknown) =>
        (body as { line: string }).line.includes("bladd")
          ? {
              slips: [
                { column: 7, word: "bladd", said: words("nothing here is called bladd"), nearest: ["Blade"] },
              ],
            }
          : { step: { id: "new", action: "rinse", items: ["blade"] }, slips: [] },
    });
    await user.type(line(), "Rinse bladd");
    expect(await screen.findByText("Nothing here is called bladd")).toBeTruthy();
    expect(line().getAttribute("aria-invalid")).toBe("true");
    await user.type(line(), "{Enter}");
    expect(onStep).not.toHaveBeenCalled();
    await user.click(screen.getByRole("button", { name: "Blade" }));
    expect(line().value).toBe("Rinse Blade");
    await screen.findByText("Enter accepts it, Escape closes the list.");
    await user.type(line(), "{Enter}");
    await waitFor(() => expect(onStep).toHaveBeenCalled());
  });

  it("forgets what was typed with Escape", async () => {
    const { user } = field(RINSE);
    await waitFor(() => expect(line().value).toBe("Rinse Blade"));
    await user.type(line(), " and more");
    expect(line().value).toBe("Rinse Blade and more");
    await user.type(line(), "{Escape}");
    if (line().value !== "Rinse Blade") {
      await user.type(line(), "{Escape}");
    }
    expect(line().value).toBe("Rinse Blade");
  });

  it("says why nothing can be read", async () => {
    const { user } = field(null, { "POST /api/notation/step": new Problem(503, "The server is starting.") });
    await user.type(line(), "Rinse");
    expect(await screen.findByText(/The server is starting/)).toBeTruthy();
  });
});
