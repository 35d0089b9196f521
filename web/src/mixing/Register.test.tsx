import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import * as enter from "../round/entries";
import { PACK } from "../testing/mixing";
import { MAREN, show } from "../testing/page";
import Mixing from "./Mixing";

const DAY = 86_400_000;
const known = (entry: unknown, at: number) => ({ entry, who: "Ilse Varga", person: "1", at });
const probe = (shown: number, daysAgo: number) => {
  const at = Date.now() - daysAgo * DAY;
  return known(
    enter.instrumentChecked({
      instrument: "probe-2",
      unit: "mg/L",
      low: 100,
      lowShown: shown,
      high: 200,
      highShown: shown + 100,
      at,
    }),
    at,
  );
};

const REGISTER = [
  PACK.instruments[0],
  {
    id: "strip-200",
    name: "Chlorine strip",
    steps: [0, 50, 100, 200],
    tolerance: 0,
    temperatureTolerance: 0.5,
    measures: "CHLORINE",
    dipSeconds: 1,
    readSeconds: 10,
  },
];

function register(newest: unknown[], at = "/mixing?show=instruments", answers = {}) {
  return show(
    <Mixing />,
    {
      "GET /api/mixing/pack": { ...PACK, register: REGISTER, checkDays: 30 },
      "GET /api/session": MAREN,
      "GET /api/stream": { newest, entries: newest.length, now: Date.now() },
      "GET /api/instruments": [],
      "GET /api/instruments/probe-2/look-back": { since: 0, readings: [], more: false },
      "GET /api/instruments/strip-200/look-back": { since: 0, readings: [], more: false },
      ...answers,
    },
    at,
  );
}

describe("the register of instruments", () => {
  it("puts first what nothing may be decided by, in words and not in color alone", async () => {
    register([probe(100, 40), probe(131, 1)]);
    const list = await screen.findByRole("list", { name: "Instruments" });
    await within(list).findByRole("button", { name: /Chlorine probe 2.*failed its check: do not use/ });
    const rows = within(list).getAllByRole("button");
    expect(rows[0].textContent).toContain("Chlorine probe 2");
    expect(rows[1].textContent).toContain("lot not checked");
    expect(screen.getByRole("alert").textContent).toContain("Take it out of use");
    expect(screen.getByText("passed")).toBeDefined();
    expect(screen.getByText("did not pass")).toBeDefined();
  });

  it("says that a check is due once its days are over", async () => {
    register([probe(100, 31)]);
    const due = await screen.findByRole("button", { name: /Chlorine probe 2.*check is due/ });
    expect(due.className).toContain("due");
  });

  it("takes a check at two points and none with the upper below the lower", async () => {
    const { user, sent } = register([], "/mixing?show=instruments&instrument=probe-2", {
      "POST /api/stream/queue": { fates: [], view: { newest: [], entries: 0, now: Date.now() } },
    });
    const [low, high] = await screen.findAllByLabelText("Standard, mg/L");
    const [lowShown, highShown] = screen.getAllByLabelText("It shows, mg/L");
    await user.type(low, "100");
    await user.type(lowShown, "101,5");
    await user.type(high, "50");
    await user.type(highShown, "52");
    expect(screen.getByText(/has to be above the lower/)).toBeDefined();
    const write = screen.getByRole<HTMLButtonElement>("button", { name: "Write the check down" });
    expect(write.disabled).toBe(true);
    await user.clear(high);
    await user.type(high, "200");
    await user.clear(highShown);
    await user.type(highShown, "203");
    await user.click(write);
    expect(await screen.findByText(/Written down/)).toBeDefined();
    expect((await screen.findAllByText("passed")).length).toBe(1);
    expect(sent).toBeDefined();
  });

  it("asks of a strip for its lot first, and for one standard", async () => {
    register([], "/mixing?show=instruments&instrument=strip-200");
    expect(await screen.findByText("Nobody has said which lot is in use.")).toBeDefined();
    expect(screen.queryByRole("button", { name: "Write the check down" })).toBeNull();
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Open this lot" }).disabled).toBe(true);
  });

  it("shows what a failed one has decided, with how each round stands", async () => {
    register([probe(131, 1)], "/mixing?show=instruments&instrument=probe-2", {
      "GET /api/instruments/probe-2/look-back": {
        since: 0,
        more: false,
        readings: [
          {
            round: "r1",
            machine: "QK-SL1",
            title: "End of shift",
            value: 155,
            unit: "mg/L",
            who: "Maren",
            at: Date.now(),
            status: "RELEASED",
          },
          { label: "K7Q2M", value: 104, unit: "mg/L", who: "Maren", at: Date.now() - 1 },
        ],
      },
    });
    expect(await screen.findByText("In doubt since its last good check")).toBeDefined();
    const round = await screen.findByRole("link", { name: "QK-SL1 End of shift" });
    expect(round.getAttribute("href")).toBe("/logbook/r1");
    expect(round.parentElement?.textContent).toContain("released");
    expect(screen.getByRole("link", { name: "solution K7Q2M" })).toBeDefined();
  });
});
