import "fake-indexeddb/auto";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, Problem, show, WAITS } from "../testing/page";
import { Parts } from "./Parts";

const ANSELM = { name: "Anselm Crake", role: "AUDITOR", person: "8" };
const said = (english: string) => ({ id: "x", english, args: [] });
const PART = {
  machine: "QK-DS1",
  id: "seals",
  name: "Seal kit",
  number: "DS-204",
  left: 0,
  reorderAt: 1,
  leadDays: 14,
  shelf: "shelf C3",
  fitted: Date.parse("2026-09-03T14:00:00Z"),
  ends: "2026-12-02",
  orderBy: "2026-11-18",
  stock: "TOO_LATE",
  because: said("none left, its life ends on 2026-12-02, and an order takes 14 days"),
};
const UNCOUNTED = {
  ...PART,
  id: "blades",
  name: "Blades",
  left: undefined,
  stock: "NOT_COUNTED",
  because: said("nobody has counted it"),
};
const OFF = {
  machine: "QK-OV1",
  id: "temperature",
  name: "Chamber temperature",
  approved: "230 °C ± 5 °C",
  unit: "°C",
  where: "display",
  read: 223.5,
  at: Date.parse("2026-11-27T15:00:00Z"),
  who: "Maren Oyelaran",
  off: true,
};
const UNREAD = { ...OFF, id: "belt", name: "Belt", unit: undefined, read: undefined, off: false };

type Body = { entries: { id: string; kind: string }[] };
const takes = (body: Body) => ({
  fates: body.entries.map((e) => ({ id: e.id, fate: "TAKEN" })),
  state: { newest: [], entries: 1, now: Date.now() },
});

const parts = (answers = {}) =>
  show(
    <Parts />,
    {
      "GET /api/parts": { parts: [PART, UNCOUNTED], settings: [OFF, UNREAD] },
      "GET /api/session": ILSE,
      "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
      "POST /api/stream/queue": takes,
      ...answers,
    },
    "/due?show=parts",
  );

describe("wear parts and settings", () => {
  it("says what has to be ordered by when, and why; not counted is not none", async () => {
    parts();
    const wear = await screen.findByRole("region", { name: "Wear parts" });
    expect(within(wear).getByText("1 thing has to be ordered.")).toBeDefined();
    expect(within(wear).getByText(/None left, its life ends on 2026-12-02.*by 2026-11-18/)).toBeDefined();
    expect(screen.getByLabelText("Seal kit on the shelf").textContent).toBe("0");
    expect(screen.getByLabelText("Blades on the shelf").textContent).toBe("?");
    expect(screen.getByRole("link", { name: "Order list (CSV)" }).getAttribute("href")).toBe(
      "/api/parts/orders.csv",
    );
  });

  it("counts, and fits a part: its life begins", async () => {
    const { sent, user } = parts();
    await user.click(await screen.findByRole("button", { name: "Seal kit more" }));
    await waitFor(() => expect(JSON.stringify(sent)).toContain("spares-counted"));
    await user.click(screen.getAllByRole("button", { name: "Fitted now" })[0]);
    await waitFor(() => expect(JSON.stringify(sent)).toContain("kit-fitted"));
  });

  it("says which setting is off, and takes only a number for it", async () => {
    const { sent, user } = parts();
    const all = await screen.findByRole("region", { name: "Settings of the machines" });
    expect(within(all).getByText("read 223.5 °C on Fri, 27 Nov 2026 by Maren Oyelaran")).toBeDefined();
    expect(within(all).getByText(/It is off/)).toBeDefined();
    expect(within(all).getByText("nobody has read it")).toBeDefined();
    const field = await within(all).findByLabelText(/^Chamber temperature reads/);
    fireEvent.change(field, { target: { value: "warm" } });
    const enter = within(all).getAllByRole("button", { name: "Enter" })[0] as HTMLButtonElement;
    expect(enter.disabled).toBe(true);
    fireEvent.change(field, { target: { value: "229,5" } });
    await user.click(enter);
    await waitFor(() => expect(JSON.stringify(sent)).toContain('"value":229.5'));
  });

  it("lets an auditor read and enter nothing", async () => {
    parts({ "GET /api/session": ANSELM });
    expect(await screen.findByText("Wear parts")).toBeDefined();
    await waitFor(() => expect(screen.queryByRole("button", { name: "Fitted now" })).toBeNull());
    expect(screen.queryByRole("button", { name: "Enter" })).toBeNull();
  });

  it("waits, and says what stands in the way", async () => {
    parts({ "GET /api/parts": WAITS });
    expect(await screen.findByText("Looking at the shelves…")).toBeDefined();
  });

  it("says that it cannot be read", async () => {
    parts({ "GET /api/parts": new Problem(500, "The shelf is on fire.") });
    expect((await screen.findByRole("alert")).textContent).toBe("The shelf is on fire.");
  });
});
