import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Doc } from "../ribbon/draft";
import type { Actions } from "../ribbon/words";
import table from "../testing/actions.json";
import { Problem, show, WAITS } from "../testing/page";
import { MendAll } from "./MendAll";

const DOC = {
  id: "sl1",
  steps: [
    { id: "s1", action: "wash", items: ["blade"] },
    { id: "s2", action: "sanitize", items: ["blade"] },
  ],
} as unknown as Doc;

const RINSE = { id: "s9", action: "rinse", items: ["blade"] };

const MENDED = {
  taken: ["C1", "C3"],
  stops: 0,
  fixes: 0,
  edits: [
    { edit: "insert-before", before: "s2", step: RINSE },
    { edit: "delete", id: "s1" },
  ],
  document: { ...DOC, steps: [RINSE, DOC.steps[1]] },
};

function mend(answer: unknown) {
  const onTake = vi.fn<(next: Doc, taken: number) => void>();
  const onClose = vi.fn();
  const page = show(
    <MendAll
      doc={DOC}
      names={new Map([["blade", "Blade"]])}
      actions={table as unknown as Actions}
      onClose={onClose}
      onTake={onTake}
    />,
    { "POST /api/mend": answer },
  );
  return { ...page, onTake, onClose };
}

describe("all remedies at once", () => {
  it("shows what it would change before it changes anything", async () => {
    const { user, onTake } = mend({ ...MENDED, edits: [MENDED.edits[0]], taken: ["C1"] });
    expect(await screen.findByText(/1 fix; it invents no figure. No findings are left/)).toBeTruthy();
    expect(screen.getByRole("list", { name: "What it changes" }).textContent).toMatch(/Rinse.*blade/i);
    expect(onTake).not.toHaveBeenCalled();
    await user.click(screen.getByRole("button", { name: "Apply all 1" }));
    expect(onTake.mock.lastCall?.[0].steps.map((s) => s.id)).toEqual(["s9", "s2"]);
    expect(onTake.mock.lastCall?.[1]).toBe(1);
  });

  it("says what is left to decide, and can be left without a change", async () => {
    const { user, onClose, onTake } = mend({ ...MENDED, edits: [], stops: 2, fixes: 1 });
    expect(await screen.findByText(/Left for you to decide: 2 stops and 1 fix/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    expect(onClose).toHaveBeenCalled();
    expect(onTake).not.toHaveBeenCalled();
  });

  it("offers nothing to apply where nothing helps", async () => {
    mend({ ...MENDED, edits: [], taken: [], stops: 1 });
    const apply = (await screen.findByRole("button", { name: "Apply all 0" })) as HTMLButtonElement;
    expect(apply.disabled).toBe(true);
  });

  it("says that it is at work, and why it failed", async () => {
    mend(WAITS);
    expect(screen.getByText("Trying one fix after the other…")).toBeTruthy();
  });

  it("says why it failed", async () => {
    mend(new Problem(422, "The procedure cannot be judged."));
    expect((await screen.findByRole("alert")).textContent).toContain("cannot be judged");
  });
});
