import { screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Names } from "../ribbon/words";
import { show } from "../testing/page";
import { words } from "../testing/words";
import { VerdictPane } from "./VerdictPane";

/** A sentence that no language has. */
const english = (words: string) => ({ id: "", english: words, args: [] });

const finding = (rule: string, more: object = {}) => ({
  rule,
  severity: "STOP",
  step: 3,
  stepId: "s3",
  items: ["blade"],
  energies: [],
  message: `The blade is still wet (${rule}).`,
  said: english(`The blade is still wet (${rule}).`),
  because: "What is put away wet grows.",
  why: english("What is put away wet grows."),
  source: "Food Code 2022, 4-901.11",
  cited: english("Food Code 2022, 4-901.11"),
  remedies: [],
  ...more,
});
const DRY = { label: "Dry it first", does: english("Dry it first"), edits: [{ edit: "delete", id: "s3" }] };

const verdict = (findings: object[], more: object = {}) =>
  ({
    findings,
    stops: findings.length,
    fixes: 0,
    advice: 0,
    coverage: { reached: 3, due: 4 },
    totals: { handsOnMinutes: 12.4, elapsedMinutes: 30, waitingMinutes: 18, chemicals: [] },
    configurations: [
      { shown: "drive: powered", options: [words("drive: powered")], fitted: true, stops: 1, fixes: 0 },
    ],
    judged: ["C1", "L2"],
    ...more,
  }) as unknown as Schemas["VerdictDocument"];

function pane(v: Schemas["VerdictDocument"], props: object = {}) {
  const did = { onShow: vi.fn(), onApply: vi.fn(), onMendAll: vi.fn(), onConfiguration: vi.fn() };
  const page = show(
    <VerdictPane
      verdict={v}
      steps={[{ id: "s3", action: "install" }]}
      names={{ items: new Map(), energies: new Map(), chemicals: new Map() } as unknown as Names}
      actions={[]}
      lit={null}
      editable
      proven
      configuration={0}
      {...did}
      {...props}
    />,
  );
  return { ...page, ...did };
}

describe("the verdict beside the ribbon", () => {
  it("says that nothing was found by the rules that are judged, never that it is safe", async () => {
    pane(verdict([]));
    expect((await screen.findByText(/Nothing found by the rules that are judged/)).textContent).not.toMatch(
      /safe/,
    );
    expect(screen.getByText(/Judged by 2 rules: C1 L2/)).toBeTruthy();
    expect(screen.getByText(/label of the chemical/)).toBeTruthy();
  });

  it("hangs what follows under its root and counts the root alone", async () => {
    pane(verdict([finding("C1"), finding("T7", { under: 0 }), finding("L3")]));
    expect(await screen.findAllByRole("heading", { level: 3 })).toHaveLength(2);
    expect(screen.getByText("One more follows from this")).toBeTruthy();
  });

  it("offers a remedy that is proven, and gives its edits", async () => {
    const { user, onApply } = pane(verdict([finding("C1", { remedies: [DRY] })]));
    await user.click(await screen.findByRole("button", { name: "Dry it first" }));
    expect(onApply).toHaveBeenCalledWith(DRY.edits, DRY.label);
  });

  it("offers nothing that was proven for another state", async () => {
    const both = [finding("C1", { remedies: [DRY] }), finding("L3", { remedies: [DRY] }), finding("L4")];
    pane(verdict(both), { proven: false });
    for (const b of await screen.findAllByRole("button", { name: "Dry it first" })) {
      expect(b).toHaveProperty("disabled", true);
    }
    expect(screen.getByRole("button", { name: /Fix everything/ })).toHaveProperty("disabled", true);
    expect(screen.getByText("Looking for a fix…")).toBeTruthy();
    expect(screen.queryByText(/No edit mends this/)).toBeNull();
  });

  it("says that somebody has to decide only once every remedy was tried", async () => {
    pane(verdict([finding("L4")]));
    expect(await screen.findByText(/No edit fixes this by itself/)).toBeTruthy();
  });

  it("offers nothing to whom may not write", async () => {
    pane(verdict([finding("C1", { remedies: [DRY] })]), { editable: false });
    await screen.findByText(/still wet/);
    expect(screen.queryByRole("button", { name: "Dry it first" })).toBeNull();
  });

  it("tells each way of fitting apart by what differs", async () => {
    const way = (...options: string[]) => ({ shown: options.join(", "), options: options.map(words) });
    const ways = [
      { ...way("drive: powered", "scraper: folds"), fitted: true, stops: 0, fixes: 0 },
      { ...way("drive: powered", "scraper: none"), fitted: false, stops: 2, fixes: 1 },
    ];
    const { user, onConfiguration } = pane(verdict([], { configurations: ways }));
    const list = await screen.findByRole("region", { name: "By how the machine is fitted" });
    expect(list.textContent).not.toMatch(/powered/);
    expect(within(list).getByText("2 STOP, 1 FIX")).toBeTruthy();
    await user.click(within(list).getByRole("radio", { name: /none/ }));
    expect(onConfiguration).toHaveBeenCalledWith(1);
  });
});
