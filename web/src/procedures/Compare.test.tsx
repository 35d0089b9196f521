import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { Problem, show } from "../testing/page";
import { words } from "../testing/words";
import { Compare } from "./Compare";

const row = (version: number, state: string) =>
  ({ id: "sl1", version, state, title: "Slicer" }) as unknown as Schemas["ProcedureRow"];

const sums = (stops: number) => ({
  stops,
  fixes: 0,
  reached: 9,
  due: 10,
  totals: { handsOnMinutes: 30, elapsedMinutes: 60, waitingMinutes: 10, people: 1, chemicals: [] },
});

const finding = (rule: string, stepId: string, step: number) => ({
  rule,
  severity: "STOP",
  stepId,
  step,
  said: words(`rule ${rule} speaks`),
});

const DIFFERENCE = {
  steps: [
    { kind: "added", id: "s9", is: 4, parts: [], lineNow: "Rinse blade" },
    { kind: "removed", id: "s2", was: 2, parts: [], lineBefore: "Dry blade" },
    {
      kind: "moved",
      id: "s3",
      was: 3,
      is: 6,
      parts: [words("minutes"), words("words")],
      lineBefore: "Wash blade",
      lineNow: "Wash blade",
    },
  ],
  head: [words("protective equipment")],
  gone: [finding("T1", "s2", 2)],
  come: [finding("C5", "s9", 4)],
  before: sums(0),
  now: sums(1),
};

function compare(answers: object = {}, at = "/") {
  const onMarks = vi.fn<(marks: Map<string, string>) => void>();
  const onShow = vi.fn<(id: string) => void>();
  const page = show(
    <Compare
      doc={{ id: "sl1", steps: [] } as unknown as Doc}
      row={row(3, "DRAFT")}
      onMarks={onMarks}
      onShow={onShow}
    />,
    {
      "GET /api/procedures": [row(3, "DRAFT"), row(2, "APPROVED"), row(1, "RETIRED")],
      "POST /api/procedures/sl1/versions/2/comparison": DIFFERENCE,
      "POST /api/procedures/sl1/versions/1/comparison": {
        ...DIFFERENCE,
        steps: [],
        head: [],
        come: [],
        gone: [],
      },
      ...answers,
    },
    at,
  );
  return { ...page, onMarks, onShow };
}

describe("one version against another", () => {
  it("takes the one before, and says of each step what became of it", async () => {
    const { onMarks, onShow, user } = compare();
    const moved = (await screen.findByText("Moved")).closest("li") as HTMLElement;
    expect(moved.textContent).toContain("step 3, now 6");
    expect(moved.textContent).toContain("(minutes, words)");
    const added = screen.getByText("New").closest("li") as HTMLElement;
    expect(within(added).getByText("Rinse blade").tagName).toBe("INS");
    const gone = screen.getByText("Gone").closest("li") as HTMLElement;
    expect(within(gone).getByText("Dry blade").tagName).toBe("DEL");
    expect(within(gone).queryByRole("button")).toBeNull();
    expect(screen.getByText("Different in its head: protective equipment.")).toBeTruthy();
    await user.click(within(added).getByRole("button"));
    expect(onShow).toHaveBeenCalledWith("s9");
    await waitFor(() =>
      expect([...(onMarks.mock.lastCall?.[0] ?? [])]).toEqual([
        ["s9", "added"],
        ["s3", "moved"],
      ]),
    );
  });

  it("sets figures side by side, and names findings that came and went", async () => {
    const { onShow, user } = compare();
    const table = await screen.findByRole("table");
    const stops = within(table).getByRole("row", { name: /Stops/ });
    expect(stops.className).toBe("differs");
    expect(within(table).getByRole("row", { name: /Hands-on/ }).className).toBe("");
    expect(within(table).getByRole("columnheader", { name: "as it stands here" })).toBeTruthy();
    const come = screen.getByRole("region", { name: "New findings" });
    expect(come.textContent).toContain("Rule C5 speaks");
    await user.click(within(come).getByRole("button", { name: "Show step 4" }));
    expect(onShow).toHaveBeenCalledWith("s9");
    expect(screen.getByRole("region", { name: "No longer found" }).textContent).toContain("Rule T1 speaks");
  });

  it("keeps in the address which version it is held against", async () => {
    const { router, user } = compare();
    await screen.findByRole("option", { name: "version 1, retired" });
    await user.selectOptions(screen.getByRole("combobox"), "1");
    expect(await screen.findByText("Every step is the same.")).toBeTruthy();
    expect(screen.getByText("The verdict is the same.")).toBeTruthy();
    expect(router.state.location.search).toBe("?against=1");
    const options = screen.getAllByRole("option").map((o) => o.textContent);
    expect(options).toEqual([
      "version 3 as it is stored, draft",
      "version 2, approved",
      "version 1, retired",
    ]);
  });

  it("says why it cannot compare", async () => {
    compare({ "POST /api/procedures/sl1/versions/2/comparison": new Problem(422, "Step 4 has no action.") });
    expect((await screen.findByRole("alert")).textContent).toContain("Step 4 has no action.");
  });
});
