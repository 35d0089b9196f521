import { fireEvent, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import table from "../testing/actions.json";
import { Problem, show } from "../testing/page";
import { BLADE_SHEET } from "../testing/site";
import OnTheRibbon from "./OnTheRibbon";

const AT = Date.parse("2026-11-30T22:10:00Z");

const entry = (seq: number, step: number, who: string) => ({
  seq,
  step,
  at: AT + seq * 60_000,
  who,
  kind: "step-done",
  weight: "done",
  said: { id: "", english: "confirmed", args: [] },
  stepTitle: { id: "", english: "Wash blade", args: [] },
});

const DOC = {
  id: "sl1",
  title: "Slicer",
  steps: [
    { id: "s1", action: "wash", items: ["blade"], minutes: 3, people: 1 },
    { id: "s2", action: "rinse", items: ["blade"], minutes: 2, people: 1 },
  ],
};

const RIBBON = {
  energies: [],
  steps: [
    { id: "s1", phase: "Clean" },
    { id: "s2", phase: "Clean" },
  ],
  surfaces: [
    {
      name: "Blade",
      zone: 1,
      due: true,
      end: false,
      surfaces: [{ id: "blade", name: "Blade", part: "Blade" }],
      spans: [{ from: 0, stage: "SOILED", off: false, covered: false }],
      marks: [{ step: 1, kind: "wash", granted: true }],
    },
  ],
};

function replay(answers: object = {}) {
  return show(
    <OnTheRibbon />,
    {
      "GET /api/logbook/r1": {
        row: { round: "r1", machine: "QK-SL1", procedure: "sl1", version: 2, title: "Slicer, daily" },
        entries: [entry(0, 1, "Maren Oyelaran"), entry(1, 2, "Tobiah Renn")],
      },
      "GET /api/procedures/sl1/versions/2": { document: DOC },
      "POST /api/verify": { ribbon: RIBBON },
      "GET /api/machines/QK-SL1": BLADE_SHEET,
      "GET /api/chemicals": [],
      "GET /api/actions": table,
      ...answers,
    },
    "/logbook/r1/ribbon",
    "/logbook/:round/ribbon",
  );
}

describe("a round on its ribbon", () => {
  it("stands at its last entry, with the step that it was about", async () => {
    replay();
    expect(await screen.findByText(/Entry 2 of 2: .*, step 2, Tobiah Renn/)).toBeTruthy();
    expect(screen.getByRole("heading", { name: "Step 2" })).toBeTruthy();
    expect(document.querySelector(".not-yet")).toBeNull();
  });

  it("goes back entry by entry; what was not done by then lies under a veil", async () => {
    replay();
    const slider = await screen.findByRole("slider");
    fireEvent.change(slider, { target: { value: "1" } });
    expect(screen.getByText(/Entry 1 of 2: .*, step 1, Maren Oyelaran/)).toBeTruthy();
    expect(document.querySelector(".not-yet")).not.toBeNull();
    fireEvent.change(slider, { target: { value: "0" } });
    expect(screen.getByText("Nothing entered yet")).toBeTruthy();
    expect(screen.getByText("Nothing was entered here up to then.")).toBeTruthy();
  });

  it("shows what was entered at the step that is picked, and tells its threads", async () => {
    const { user } = replay();
    await user.click(await screen.findByRole("button", { name: /Step\s*1/ }));
    expect(screen.getByRole("heading", { name: "Step 1" })).toBeTruthy();
    expect(screen.getByText(/Maren Oyelaran/, { selector: "li" })).toBeTruthy();
    const lives = screen.getByRole("list", { name: "Life of each surface" });
    expect(lives.textContent).toContain("Blade: soiled, washed at step 1; does not end as its sheet asks.");
    const rinse = screen.getByRole("button", { name: /Step\s*2.*Rinse.*Changes nothing/ });
    expect(rinse).toBeTruthy();
  });

  it("says why it cannot be replayed", async () => {
    replay({ "GET /api/procedures/sl1/versions/2": new Problem(404, "There is no version 2.") });
    expect(await screen.findByText(/There is no version 2/)).toBeTruthy();
    expect(screen.getByRole("link", { name: "To the record" }).getAttribute("href")).toBe("/logbook/r1");
  });
});
