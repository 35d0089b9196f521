import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, MAREN, show } from "../testing/page";
import { words } from "../testing/words";
import { Chosen } from "./Chosen";
import type { DueTask } from "./words";

const NOW = Date.parse("2026-03-06T12:00:00Z");

const task = (over: object): DueTask =>
  ({
    task: "QK-SL1/upkeep/feet",
    kind: "UPKEEP",
    machine: "QK-SL1",
    name: "Check the rubber feet",
    state: "DUE",
    risk: "PEOPLE",
    because: words("a month is over"),
    ...over,
  }) as unknown as DueTask;

type Body = {
  entries: { id: string; kind: string; values: { name: string; value?: number; text?: string }[] }[];
};

function chosen(over: object, who: object = ILSE) {
  const page = show(<Chosen task={task(over)} now={NOW} />, {
    "GET /api/session": who,
    "GET /api/stream": { newest: [], entries: 0, now: NOW },
    "POST /api/stream": (body: unknown) => ({
      fates: (body as Body).entries.map((e) => ({ id: e.id, fate: "TAKEN" })),
      state: { newest: [], entries: 1, now: NOW },
    }),
    "GET /api/due": { now: NOW, today: "2026-03-06", tasks: [] },
  });
  const entries = () => page.sent.flatMap((s) => (s.body as Body).entries ?? []);
  return { ...page, entries };
}

describe("a task that is due", () => {
  it("says why, and that nothing is known where nothing is", async () => {
    chosen({});
    expect(screen.getByText("A month is over.")).toBeTruthy();
    expect(screen.getByText("no record of it")).toBeTruthy();
    expect(await screen.findByRole("button", { name: "It is done: write it down" })).toBeTruthy();
  });

  it("is written down as done once, by whoever works", async () => {
    const { user, entries } = chosen({}, MAREN);
    await user.click(await screen.findByRole("button", { name: "It is done: write it down" }));
    expect((await screen.findByRole("status")).textContent).toContain("Written down as done.");
    await waitFor(() => expect(entries().map((e) => e.kind)).toEqual(["task-done"]));
  });

  it("leads to the round of a clean and to the check of an instrument", async () => {
    chosen({ kind: "CLEAN", task: "sl1-daily", depth: "DAILY" });
    const start = await screen.findByRole("link", { name: "Start this round" });
    expect(start.getAttribute("href")).toBe("/floor/start/sl1-daily");
    expect(screen.getByText("daily")).toBeTruthy();
  });

  it("leads to the instrument", async () => {
    chosen({ kind: "CHECK", task: "check/probe-2", machine: undefined });
    const check = await screen.findByRole("link", { name: "Check it now" });
    expect(check.getAttribute("href")).toBe("/mixing?show=instruments&instrument=probe-2");
  });

  it("takes a part that was fitted off the shelf", async () => {
    const { user, entries } = chosen({ kind: "KIT", task: "QK-SL1/kit/seals" }, MAREN);
    await user.click(await screen.findByRole("button", { name: "It is fitted: write it down" }));
    expect((await screen.findByRole("status")).textContent).toContain("one less on the shelf");
    await waitFor(() => expect(entries()[0]?.kind).toBe("kit-fitted"));
    expect(JSON.stringify(entries()[0])).toContain("seals");
  });

  it("asks for a sign and takes either answer", async () => {
    const { user, entries } = chosen({ sign: "suds under the drum" }, MAREN);
    await screen.findByText("Look for: suds under the drum");
    await user.click(screen.getByRole("button", { name: "It is not there" }));
    expect((await screen.findByRole("status")).textContent).toContain("it was not there");
    await waitFor(() => expect(entries()[0]?.kind).toBe("sign-seen"));
  });

  it("takes a count only when one was typed, and whether its display is new", async () => {
    const { user, entries } = chosen({ kind: "KIT", task: "QK-SL1/kit/seals", counter: "portions" }, MAREN);
    const keep = (await screen.findByRole("button", { name: "Write it down" })) as HTMLButtonElement;
    expect(keep.disabled).toBe(true);
    await user.type(screen.getByLabelText("It shows"), "4120");
    await user.click(screen.getByLabelText("its display was replaced"));
    await user.click(keep);
    await waitFor(() => expect(entries()[0]?.kind).toBe("count-read"));
    expect(JSON.stringify(entries()[0])).toContain("4120");
  });

  it("lets nothing go without a reason, and says that it makes nothing clean", async () => {
    const { user, entries } = chosen({ kind: "CLEAN", task: "sl1-daily", state: "LATE", risk: "FOOD" });
    await user.click(await screen.findByText("Let it go this once"));
    const keep = screen.getByRole("button", { name: "Write the reason down" }) as HTMLButtonElement;
    expect(keep.disabled).toBe(true);
    expect(screen.getByText(/That makes nothing clean/)).toBeTruthy();
    await user.type(screen.getByLabelText("Why, for the record"), "The machine is out of use");
    await user.click(keep);
    await waitFor(() => expect(entries()[0]?.kind).toBe("task-let-go"));
    expect(JSON.stringify(entries()[0])).toContain("out of use");
  });

  it("offers the crew nothing to decide, and an auditor nothing at all", async () => {
    chosen({ kind: "TRAINING", name: "Maren Oyelaran", state: "LATE" }, MAREN);
    expect(screen.getByText(/Training of Maren Oyelaran/)).toBeTruthy();
    await screen.findByText("A month is over.");
    expect(screen.queryByText("Let it go this once")).toBeNull();
    expect(screen.queryByRole("button")).toBeNull();
  });

  it("is only read by an auditor", async () => {
    chosen({}, { name: "Anselm Crake", role: "AUDITOR", person: "9" });
    await screen.findByText("A month is over.");
    expect(screen.queryByRole("button")).toBeNull();
  });
});
