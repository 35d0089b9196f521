import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { Problem, show } from "../testing/page";
import { WhatIf } from "./WhatIf";

const CHEMICALS = [
  { id: "h12", name: "Halvern H12" },
  { id: "q10", name: "Palimar Q10" },
  { id: "suds", name: "Sudmere N" },
] as unknown as Schemas["ChemicalView"][];

const DOC = {
  id: "sl1",
  people: 2,
  steps: [{ id: "s1", action: "sanitize", chemical: "h12" }],
} as unknown as Doc;

const sums = {
  stops: 0,
  fixes: 0,
  reached: 1,
  due: 1,
  totals: {
    handsOnMinutes: 30,
    elapsedMinutes: 60,
    waitingMinutes: 10,
    people: 1,
    waterLitres: 40,
    chemicals: [
      { chemical: "h12", name: "Halvern H12", litres: 0.012, cost: 0.4, unsaid: 0 },
      { chemical: "suds", name: "Sudmere N", litres: 0, cost: 0, unsaid: 2 },
    ],
  },
};

const ANSWER = {
  steps: [],
  head: [],
  gone: [],
  come: [],
  before: sums,
  now: sums,
  document: { ...DOC, people: 1 },
};

function whatIf(editable = true, answers: object = {}) {
  const onTake = vi.fn<(next: Doc, said: string) => void>();
  const page = show(<WhatIf doc={DOC} chemicals={CHEMICALS} editable={editable} onTake={onTake} />, {
    "POST /api/what-if": ANSWER,
    ...answers,
  });
  return { ...page, onTake };
}

describe("what if", () => {
  it("asks nothing until something is different, and only of products that are used", async () => {
    const { user } = whatIf();
    const run = screen.getByRole("button", { name: "Run it" }) as HTMLButtonElement;
    expect(run.disabled).toBe(true);
    const from = screen.getByLabelText("Instead of");
    expect([...from.querySelectorAll("option")].map((o) => o.textContent)).toEqual([
      "no other product",
      "Halvern H12",
    ]);
    await user.selectOptions(from, "h12");
    // By what is not said yet.
    expect(run.disabled).toBe(true);
    await user.selectOptions(screen.getByLabelText("use"), "q10");
    expect(run.disabled).toBe(false);
  });

  it("sends what is different, shows both sides, and takes it over when told to", async () => {
    const { sent, user, onTake } = whatIf();
    await user.selectOptions(screen.getByLabelText("Instead of"), "h12");
    await user.selectOptions(screen.getByLabelText("use"), "q10");
    await user.clear(screen.getByLabelText("People missing, of 2"));
    await user.type(screen.getByLabelText("People missing, of 2"), "1");
    await user.click(screen.getByRole("button", { name: "Run it" }));
    expect(await screen.findByText("With Palimar Q10 instead of Halvern H12, 1 fewer:")).toBeTruthy();
    expect(sent[0].body).toMatchObject({ change: { from: "h12", to: "q10", fewerPeople: 1 } });
    expect(screen.getByRole("row", { name: /Halvern H12/ }).textContent).toContain(
      "12.0 mL".replace(".0", ""),
    );
    expect(screen.getByRole("row", { name: /Sudmere N/ }).textContent).toContain("not stated");
    await user.click(screen.getByRole("button", { name: "Apply" }));
    expect(onTake).toHaveBeenCalledWith(ANSWER.document, "Palimar Q10 instead of Halvern H12, 1 fewer");
  });

  it("forgets the answer when the question changes", async () => {
    const { user } = whatIf();
    const warmest = screen.getByLabelText("The water is no warmer than, °C");
    await user.type(warmest, "30");
    await user.click(screen.getByRole("button", { name: "Run it" }));
    expect(await screen.findByText("With water at most 30 °C:")).toBeTruthy();
    await user.type(warmest, "{backspace}5");
    await waitFor(() => expect(screen.queryByRole("table")).toBeNull());
  });

  it("applies nothing where nobody may write, and says what the server refuses", async () => {
    const { user } = whatIf(false);
    await user.type(screen.getByLabelText("The water is no warmer than, °C"), "30");
    await user.click(screen.getByRole("button", { name: "Run it" }));
    await screen.findByRole("table");
    expect(screen.queryByRole("button", { name: "Apply" })).toBeNull();
  });

  it("names the field that is wrong", async () => {
    const { user } = whatIf(true, {
      "POST /api/what-if": new Problem(422, "It is wrong.", [
        { pointer: "/change/warmest", message: "Water is 0 to 100 °C." },
      ]),
    });
    await user.type(screen.getByLabelText("The water is no warmer than, °C"), "30");
    await user.click(screen.getByRole("button", { name: "Run it" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Water is 0 to 100 °C.");
  });
});
