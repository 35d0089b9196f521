import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { Problem, show, siteWith } from "../testing/page";
import { NewDraft } from "./NewDraft";

const MACHINES = [
  { code: "QK-DS1", name: "Dispenser" },
  { code: "QK-SL1", name: "Slicer" },
];

function draft(answers = {}) {
  const onMade = vi.fn();
  return {
    ...show(<NewDraft onClose={vi.fn()} onMade={onMade} />, { "GET /api/machines": MACHINES, ...answers }),
    onMade,
  };
}

const make = () => screen.findByRole("button", { name: /^Draft/ });
const school = (name: RegExp) => screen.findByRole("checkbox", { name });

describe("a draft from a sheet", () => {
  it("follows the schools of the site until somebody says otherwise", async () => {
    const { user, sent, onMade } = draft({
      "GET /api/site": siteWith({ assembledFirst: true, rinseAfterSanitizer: true }),
      "POST /api/drafts": { id: "d1", version: 1 },
    });
    const rinse = await school(/Rinse with drinking water/);
    await waitFor(() => expect(rinse).toHaveProperty("checked", true));
    await user.click(rinse);
    await user.selectOptions(screen.getByLabelText("Machine"), "QK-SL1");
    await user.click(await make());
    await waitFor(() => expect(onMade.mock.calls[0]?.[0]).toEqual({ id: "d1", version: 1 }));
    expect(sent[0].body).toEqual({
      machine: "QK-SL1",
      kind: "daily",
      assembledFirst: true,
      rinseAfterSanitizer: false,
      scope: {},
      halves: false,
    });
  });

  it("holds for the fitted options, and for others that are asked for; for one at least", async () => {
    const scraper = {
      id: "scraper",
      name: "Scraper",
      fitted: "folds",
      choices: [
        { id: "folds", name: "folds on" },
        { id: "none", name: "none" },
      ],
    };
    const { user, sent } = draft({
      "GET /api/machines/QK-DS1": { code: "QK-DS1", options: [scraper] },
      "POST /api/drafts": { id: "d1", version: 1 },
    });
    const fitted = await school(/folds on \(fitted\)/);
    expect(fitted).toHaveProperty("checked", true);
    await user.click(fitted);
    expect(await screen.findByText("It has to hold for one of them at least.")).toBeTruthy();
    expect(await make()).toHaveProperty("disabled", true);
    await user.click(fitted);
    await user.click(await school(/^none/));
    await user.click(await school(/In two halves/));
    await user.click(await make());
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({ scope: { scraper: ["folds", "none"] }, halves: true }),
    );
  });

  it("cannot be made without a machine", async () => {
    draft({ "GET /api/machines": [] });
    expect(await make()).toHaveProperty("disabled", true);
  });

  it("says for which surface and why nothing can be drafted, and is still open", async () => {
    const reasons = Array.from({ length: 12 }, (_, i) => ({
      pointer: "",
      message: `Surface ${i}: no sanitizer.`,
    }));
    const { user, onMade } = draft({ "POST /api/drafts": new Problem(422, "none", reasons) });
    await screen.findByRole("option", { name: "QK-DS1 Dispenser" });
    await user.click(await make());
    const said = await screen.findByRole("alert");
    expect(said.textContent).toMatch(/No procedure can be drafted/);
    expect(said.querySelectorAll("li").length).toBe(8);
    expect(onMade).not.toHaveBeenCalled();
  });
});
