import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { show } from "../testing/page";
import { HeadForm } from "./HeadForm";

const DOC = {
  id: "p",
  title: "Slicer",
  kind: "daily",
  people: 1,
  ppe: ["apron"],
  schools: { assembledFirst: false, rinseAfterSanitizer: false },
  steps: [],
} as unknown as Doc;
const SHEET = { allergens: ["soy", "sesame"] } as unknown as Schemas["SheetView"];

describe("the head of a procedure", () => {
  it("takes over what is worn, who works and what has to be gone", async () => {
    const take = vi.fn();
    const { user } = show(<HeadForm doc={DOC} sheet={SHEET} onClose={() => {}} onTake={take} />, {});
    await user.type(
      screen.getByLabelText("Protective equipment worn throughout"),
      "{enter} long sleeves {enter}",
    );
    await user.click(screen.getByLabelText("soy"));
    await user.selectOptions(screen.getByLabelText("Frequency"), "weekly");
    await user.click(screen.getByRole("button", { name: "Use these" }));
    expect(take).toHaveBeenCalledWith({
      ...DOC,
      kind: "weekly",
      ppe: ["apron", "long sleeves"],
      clears: ["soy"],
    });
  });

  it("names what is wrong and takes nothing over", async () => {
    const take = vi.fn();
    const { user } = show(
      <HeadForm doc={DOC} sheet={{ ...SHEET, allergens: [] }} onClose={() => {}} onTake={take} />,
      {},
    );
    await user.clear(screen.getByLabelText("People at the machine"));
    await user.clear(screen.getByLabelText("Title"));
    expect(screen.getByText("People are a whole number from 1 to 20.")).toBeDefined();
    expect(screen.getByText("Give it a title.")).toBeDefined();
    expect((screen.getByRole("button", { name: "Use these" }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.queryByText("Allergens that have to be gone")).toBeNull();
  });
});
