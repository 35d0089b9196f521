import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { ILSE, Problem, show } from "../testing/page";
import { SetFigure } from "./SetFigure";

const FIGURE = {
  id: "chlorine.contact",
  title: "Chlorine: contact",
  value: 10,
  shipped: 10,
  unit: "s",
  lowerIsStricter: false,
  set: false,
} as unknown as Schemas["FigureView"];

function figure(more: object = {}, answers: object = {}) {
  const onSaved = vi.fn();
  const onClose = vi.fn();
  const page = show(
    <SetFigure
      figure={{ ...FIGURE, ...more }}
      cited="Food Code 4-501.114"
      onClose={onClose}
      onSaved={onSaved}
    />,
    {
      "GET /api/session": ILSE,
      "POST /api/rulebook/figures/chlorine.contact/effect": { approved: 30, lost: [] },
      "PUT /api/rulebook/figures/chlorine.contact": { version: "1" },
      ...answers,
    },
  );
  return { ...page, onSaved, onClose };
}

const field = () => screen.getByLabelText("This site, in s");

describe("a figure of this site", () => {
  it("says what the code says and which way is stricter", () => {
    figure();
    expect(
      screen.getByText("The code says 10 s (Food Code 4-501.114). A site makes it stricter by going up."),
    ).toBeTruthy();
    expect(screen.getByText("Change something to see what it does.")).toBeTruthy();
  });

  it("shows what it does, and is signed with a reason", async () => {
    const { sent, user, onSaved } = figure();
    await user.clear(field());
    await user.type(field(), "60");
    expect(await screen.findByText("All 30 approved procedures say the same as before.")).toBeTruthy();
    expect(screen.queryByText(/asks for less than the code/)).toBeNull();
    await user.type(screen.getByLabelText("Why"), "Our label says so");
    await user.type(screen.getByLabelText(/PIN/), "471148");
    await user.click(screen.getByRole("button", { name: "Sign and set 60 s" }));
    await waitFor(() => expect(onSaved).toHaveBeenCalled());
    expect(sent.at(-1)?.body).toEqual({ value: 60, reason: "Our label says so", pin: "471148" });
  });

  it("warns of less than the code, whichever way less lies", async () => {
    const { user } = figure();
    await user.clear(field());
    await user.type(field(), "5");
    expect(screen.getByText(/This asks for less than the code/)).toBeTruthy();
  });

  it("warns of more where lower is stricter", async () => {
    const { user } = figure({ lowerIsStricter: true });
    await user.clear(field());
    await user.type(field(), "12,5");
    expect(screen.getByText(/This asks for less than the code/)).toBeTruthy();
  });

  it("takes no figure that is none", async () => {
    const { sent, user } = figure();
    for (const wrong of ["-4", "0", "ten"]) {
      await user.clear(field());
      await user.type(field(), wrong);
      expect(screen.getByText("This is a number above 0.")).toBeTruthy();
    }
    await user.type(screen.getByLabelText(/PIN/), "471148");
    expect((screen.getByRole("button", { name: /Sign and set/ }) as HTMLButtonElement).disabled).toBe(true);
    expect(sent).toEqual([]);
  });

  it("goes back to the code where it was set, and forgets a PIN that was wrong", async () => {
    const { sent, user } = figure(
      { set: true, value: 60 },
      { "PUT /api/rulebook/figures/chlorine.contact": new Problem(401, "The PIN is wrong.") },
    );
    const pin = screen.getByLabelText(/PIN/) as HTMLInputElement;
    await user.type(pin, "000000");
    await user.click(screen.getByRole("button", { name: "Back to the code" }));
    expect((await screen.findByRole("alert")).textContent).toContain("The PIN is wrong.");
    expect(sent.at(-1)?.body).toMatchObject({ pin: "000000" });
    expect(sent.at(-1)?.body).not.toHaveProperty("value");
    expect(pin.value).toBe("");
  });
});
