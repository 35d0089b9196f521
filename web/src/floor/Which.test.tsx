import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { start } from "../round/core";
import type { Solution } from "../solution/shelf";
import { show } from "../testing/page";
import { Which } from "./Which";

const NOW = Date.now();
const solution = (label: string, more: Partial<Solution> = {}): Solution => ({
  vessel: `v-${label}`,
  chemical: "halvern-h12",
  litres: 12,
  label,
  until: NOW + 3_600_000,
  at: NOW,
  who: "Maren",
  standing: "FRESH",
  readings: [],
  corrections: [],
  rinsed: false,
  ...more,
});

const SOLUTIONS = [
  solution("K7Q2M"),
  solution("SOON2", { standing: "SOON" }),
  solution("TOOLD", { standing: "OVER" }),
  solution("WATCH", { standing: "UNREAD" }),
  solution("GONE2", { standing: "OUT" }),
  solution("QUAT2", { chemical: "palimar-q10" }),
];

function which(used: Record<string, string> = {}) {
  const write = vi.fn();
  const state = { solutions: used } as unknown as ReturnType<typeof start>;
  const page = show(
    <Which
      step="chlor"
      mix={{ product: "halvern-h12", litres: 12, mgPerL: 150 }}
      state={state}
      solutions={SOLUTIONS}
      vesselName={(v) => v}
      write={write}
    />,
    { "GET /api/site": { zone: "UTC" } },
  );
  return { ...page, write };
}

describe("which solution a step uses", () => {
  it("offers what fits and stands, and writes down its label and how long it holds", async () => {
    const { user, write } = which();
    expect(screen.getByRole("button", { name: /SOON2/ }).textContent).toContain("change by");
    for (const other of [/TOOLD/, /WATCH/, /GONE2/, /QUAT2/]) {
      expect(screen.queryByRole("button", { name: other })).toBeNull();
    }
    await user.click(screen.getByRole("button", { name: /K7Q2M/ }));
    const [entry] = write.mock.calls[0];
    expect(entry).toMatchObject({ kind: "solution-used", step: "chlor" });
    expect(entry.figures).toEqual([
      { name: "label", text: "K7Q2M" },
      { name: "chemical", text: "halvern-h12" },
      { name: "until", value: NOW + 3_600_000, unit: "ms" },
    ]);
  });

  it.each([
    ["moon9", /No solution of this site has the label MOON9/],
    ["TOOLD", /TOOLD is too old/],
    ["watch", /corrected and not read since/],
    ["gone2", /GONE2 is poured out/],
    ["https://x.example/mixing?label=QUAT2", /another product/],
  ])("says why it does not take %s", async (typed, why) => {
    const { user, write } = which();
    await user.type(screen.getByLabelText("Scan or type the label"), `${typed}{Enter}`);
    expect(screen.getByRole("alert").textContent).toMatch(why);
    expect(write).not.toHaveBeenCalled();
  });

  it("shows what was taken, and lets another be taken", async () => {
    const { user, write } = which({ chlor: "K7Q2M" });
    expect(screen.getByText("With solution K7Q2M")).toBeDefined();
    expect(screen.queryByRole("button", { name: /K7Q2M/ })).toBeNull();
    await user.click(screen.getByRole("button", { name: /SOON2/ }));
    expect(write).toHaveBeenCalledOnce();
  });
});
