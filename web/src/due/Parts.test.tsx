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

const LET_RUN = {
  ...OFF,
  id: "humidity",
  name: "Humidity",
  read: 223.6,
  off: false,
  letRun: {
    value: 223.5,
    owner: "Pell",
    why: "burner",
    until: Date.parse("2026-12-05T12:00:00Z"),
    ended: false,
  },
};
const FEW = {
  id: "halvern-h12",
  name: "Halvern H12",
  amount: 9,
  unit: "L",
  reorder: "10 L",
  leadDays: 5,
  at: OFF.at,
  who: "Ilse Varga",
  stock: "ORDER",
  because: said("9 L left; it is ordered at 10 L"),
};
const OTHER = {
  machine: "QK-DS2",
  type: "DS-2T",
  serial: "5501",
  readType: "DS-2T",
  readSerial: "5510",
  at: OFF.at,
  who: "Ilse Varga",
  differs: true,
};

type Body = { entries: { id: string; kind: string }[] };
const takes = (body: Body) => ({
  fates: body.entries.map((e) => ({ id: e.id, fate: "TAKEN" })),
  state: { newest: [], entries: 1, now: Date.now() },
});

const parts = (answers = {}) =>
  show(
    <Parts />,
    {
      "GET /api/parts": {
        parts: [PART, UNCOUNTED],
        products: [FEW],
        settings: [OFF, UNREAD, LET_RUN],
        plates: [OTHER],
      },
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
    expect(within(wear).getByText("2 things have to be ordered.")).toBeDefined();
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

  it("lets a setting run so only with somebody who answers for it, a reason and an end", async () => {
    const { sent, user } = parts();
    const all = await screen.findByRole("region", { name: "Settings of the machines" });
    expect(within(all).getByText("Pell lets it run at 223.5 °C until Sat, 5 Dec 2026: burner")).toBeDefined();
    await user.click(await within(all).findByText("Let it run so for now…"));
    const write = within(all).getByRole("button", { name: "Write it down" }) as HTMLButtonElement;
    await user.type(within(all).getByLabelText("Who answers for it"), "Pell");
    await user.type(within(all).getByLabelText("What it makes up for"), "burner");
    const days = within(all).getByLabelText("For how many days, 1 to 92");
    await user.clear(days);
    await user.type(days, "93");
    expect(write.disabled).toBe(true);
    await user.clear(days);
    await user.type(days, "10");
    await user.click(write);
    await waitFor(() => expect(JSON.stringify(sent)).toContain("setting-let-run"));
    expect(JSON.stringify(sent)).toContain('"owner","text":"Pell"');
  });

  it("counts a product in its unit", async () => {
    const { sent, user } = parts();
    const products = await screen.findByRole("region", { name: "Products in stock" });
    expect(
      within(products).getByText(/9 L left; it is ordered at 10 L; an order takes 5 days/),
    ).toBeDefined();
    await user.type(await within(products).findByLabelText("In stock Halvern H12"), "24,5");
    await user.click(within(products).getByRole("button", { name: "Enter" }));
    await waitFor(() => expect(JSON.stringify(sent)).toContain('"value":24.5,"unit":"L"'));
  });

  it("compares the plate of a machine with its sheet", async () => {
    const { sent, user } = parts();
    const plates = await screen.findByRole("region", { name: "Data plates" });
    expect(within(plates).getByText("differs: it reads DS-2T, 5510")).toBeDefined();
    await user.type(await within(plates).findByLabelText("Type as stamped QK-DS2"), "DS-2T");
    await user.type(within(plates).getByLabelText("Serial number"), "5501");
    await user.click(within(plates).getByRole("button", { name: "Enter" }));
    await waitFor(() => expect(JSON.stringify(sent)).toContain("plate-read"));
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
