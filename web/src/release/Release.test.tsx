import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { Problem, show } from "../testing/page";
import { words } from "../testing/words";
import Release from "./Release";

const LOOK = { id: "sight", kind: "LOOK", name: words("Look at all of it"), why: words("always") };
const SWAB = {
  id: "s1",
  kind: "SWAB",
  name: "Blade",
  why: words("highest risk"),
  most: 30,
  failAbove: 60,
  unit: "RLU",
};
const VIEW = {
  round: "r1",
  machine: "QK-SL1",
  title: "Disc slicer",
  status: "WAITING",
  closedAt: Date.parse("2027-02-01T23:00:00Z"),
  closedBy: "Maren Oyelaran",
  workers: ["Maren Oyelaran", "Pell Okonjo"],
  plan: [LOOK, SWAB],
  proofs: {},
  found: {},
  missing: ["Look at all of it", "Blade"].map(words),
  troubles: [],
  differences: [],
  deviated: [],
  parts: [{ item: "blade", name: "Blade" }],
};

const page = (more = {}, answers = {}) =>
  show(
    <Release />,
    {
      "GET /api/session": { name: "Ruvi Hast", role: "QA" },
      "GET /api/releases/r1": { ...VIEW, ...more },
      ...answers,
    },
    "/release/r1",
    "/release/:round",
  );
const button = (name: string) => screen.findByRole("button", { name });

describe("the release", () => {
  it("says who handed over and who worked", async () => {
    page();
    expect(
      await screen.findByText(
        "Handed over by Maren Oyelaran at 23:00. Worked on by Maren Oyelaran, Pell Okonjo.",
      ),
    ).toBeTruthy();
    expect(screen.getByText(/Nothing went wrong in this round/)).toBeTruthy();
  });

  it("says first what went wrong", async () => {
    page({
      troubles: [{ at: 1_800_000_000, said: words("part damaged (blade): nick"), who: "Pell" }],
      differences: [{ entry: "e", at: 1_800_000_000, who: "Tobiah", why: words("Step 1 is already done.") }],
      deviated: ["wash"],
    });
    const first = within(
      (await screen.findByRole("heading", { name: "Before you inspect" })).closest("section") as HTMLElement,
    );
    expect(first.getByText(/Part damaged \(blade\): nick, Pell/)).toBeTruthy();
    expect(first.getByText(/Tobiah entered what does not fit: Step 1 is already done/)).toBeTruthy();
    expect(first.getByText(/1 step had a deviation/)).toBeTruthy();
  });

  it("sends the figure and leaves the judgement to the server", async () => {
    const { user, sent } = page(
      {},
      { "POST /api/releases/r1/findings": { ...VIEW, found: { s1: "CAUTION" } } },
    );
    const value = await screen.findByRole("textbox", { name: "Blade, RLU" });
    expect(screen.getByRole("button", { name: "Enter" })).toHaveProperty("disabled", true);
    await user.type(value, "45,0");
    await user.click(screen.getByRole("button", { name: "Enter" }));
    expect(await screen.findByText(/caution: not a pass/)).toBeTruthy();
    expect(sent[0].body).toEqual({ site: "s1", value: 45, passed: false });
  });

  it("is not answered by somebody who may not, and says why", async () => {
    page({ hindrance: words("Maren Oyelaran did work in this round.") });
    expect(await screen.findByText(/did work in this round/)).toBeTruthy();
    expect(screen.queryByRole("button")).toBeNull();
    expect(screen.queryByRole("heading", { name: "Your answer" })).toBeNull();
  });

  it("names what is still to be found, signs with the PIN and forgets it", async () => {
    const { user, sent } = page(
      {},
      { "POST /api/releases/r1/release": new Problem(409, "Still to be found: Blade.") },
    );
    expect(await screen.findByText("Still to be found or passed: Look at all of it; Blade.")).toBeTruthy();
    await user.type(screen.getByLabelText("PIN"), "9027");
    await user.click(await button("Sign and release"));
    expect((await screen.findByRole("alert")).textContent).toBe("Still to be found: Blade.");
    expect(screen.getByLabelText("PIN")).toHaveProperty("value", "");
    expect(sent[0].body).toEqual({ pin: "9027" });
  });

  it("is sent back only with the part and the reason", async () => {
    const { user, sent } = page({}, { "POST /api/releases/r1/send-back": { ...VIEW, status: "OPEN" } });
    await user.click(await screen.findByRole("radio", { name: "Re-clean" }));
    await user.type(screen.getByLabelText("PIN"), "9027");
    const sign = await button("Sign: re-clean");
    expect(sign).toHaveProperty("disabled", true);
    await user.selectOptions(screen.getByRole("combobox"), "blade");
    await user.type(screen.getByLabelText("What was found"), "fat at the hub");
    await user.click(sign);
    expect(await screen.findByText(/only what failed and what it touched/)).toBeTruthy();
    expect(sent[0].body).toEqual({ item: "blade", reason: "fat at the hub", pin: "9027" });
  });

  it("is released for a time with hours and what it waits for", async () => {
    const { user, sent } = page({}, { "POST /api/releases/r1/release": { ...VIEW, status: "CONDITIONAL" } });
    await user.click(await screen.findByRole("radio", { name: "Release for a limited time" }));
    await user.clear(screen.getByLabelText("Hours, 1 to 24"));
    await user.type(screen.getByLabelText("Hours, 1 to 24"), "6");
    await user.type(screen.getByLabelText("What it waits for"), "the plate count");
    await user.type(screen.getByLabelText("PIN"), "9027");
    await user.click(await button("Sign: release for a limited time"));
    await waitFor(() =>
      expect(sent[0]?.body).toEqual({ pin: "9027", hours: 6, condition: "the plate count" }),
    );
  });

  it("has nothing more to enter once it is released", async () => {
    page({ status: "RELEASED", found: { sight: "PASSED", s1: "PASSED" }, missing: [] });
    expect(await screen.findByText("Released for production.")).toBeTruthy();
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("says that there is no such round", async () => {
    show(
      <Release />,
      { "GET /api/releases/r2": new Problem(404, "There is no round r2.") },
      "/release/r2",
      "/release/:round",
    );
    expect((await screen.findByRole("alert")).textContent).toMatch(/There is no round r2/);
  });
});
