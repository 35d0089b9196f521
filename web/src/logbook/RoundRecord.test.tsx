import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ILSE, MAREN, Problem, show } from "../testing/page";
import { words } from "../testing/words";
import RoundRecord from "./RoundRecord";

const AT = Date.parse("2027-02-01T23:00:00Z");
const entry = (seq: number, step: number, weight: string, text: string, kind = "step-done") => ({
  id: `e${seq}`,
  seq,
  step,
  stepTitle: words(`step ${step}`),
  kind,
  weight,
  text,
  said: { id: "", english: text, args: [] },
  who: "Maren Oyelaran",
  at: AT + seq * 60_000,
  measured: [] as object[],
});
const RECORD = {
  row: { machine: "QK-SL1", title: "Disc slicer", version: 2, startedAt: AT, startedBy: "Maren Oyelaran" },
  sheetVersion: 3,
  ruleBook: "public-1",
  packHash: "0123456789abcdef",
  chainWhole: true,
  entries: [
    entry(1, 1, "plain", "done"),
    entry(2, 2, "plain", "Tray is off", "piece-off"),
    entry(3, 2, "deviation", "Sink needed"),
    {
      ...entry(4, 3, "reading-out", "62 mg/L at 18 °C", "reading"),
      measured: [
        {
          name: { id: "", english: "strength", args: [] },
          value: 62,
          least: 100,
          most: 200,
          unit: "mg/L",
          in: false,
        },
        { name: { id: "", english: "temperature", args: [] }, value: 18, least: 13, unit: "°C", in: true },
      ],
    },
  ],
};

const page = (more = {}, answers = {}, who: object = ILSE) =>
  show(
    <RoundRecord />,
    { "GET /api/session": who, "GET /api/logbook/r1": { ...RECORD, ...more }, ...answers },
    "/logbook/r1",
    "/logbook/:round",
  );
const fact = async (name: string) =>
  (await screen.findByText(name)).parentElement?.querySelector("dd")?.textContent;

describe("the record of a round", () => {
  it("says in its head what matters", async () => {
    page();
    expect(await fact("Readings out of range")).toBe("1");
    expect(await fact("Deviations")).toBe("1");
    expect(await fact("Entries")).toBe("4, unchanged since");
    expect(await fact("Closed and signed")).toBe("still open");
    expect(await fact("Procedure")).toBe("version 2, sheet 3, rules public-1");
  });

  it("holds each reading against its limits, and says how it ended", async () => {
    page();
    const strength = await screen.findByRole("row", { name: /strength/ });
    expect(strength.textContent).toContain("62 mg/L of 100 to 200 mg/L out of range");
    expect(screen.getByRole("row", { name: /temperature/ }).textContent).toContain("18 °C of at least 13 °C");
    expect(screen.getByText("Still open")).toBeTruthy();
  });

  it("shouts when it was changed from outside", async () => {
    page({ chainWhole: false });
    expect(await fact("Entries")).toBe("CHANGED FROM OUTSIDE");
  });

  it("keeps taps that went well out of sight until all is asked for", async () => {
    const { user } = page();
    const steps = within(await screen.findByRole("list"));
    expect(steps.queryByText(/Tray is off/)).toBeNull();
    await user.click(screen.getByRole("checkbox", { name: "every entry" }));
    expect(steps.getByText(/Tray is off, Maren Oyelaran/)).toBeTruthy();
  });

  it("puts what is right beside an entry, signed", async () => {
    const { user, sent } = page(
      {},
      {
        "POST /api/logbook/r1/corrections": {
          ...RECORD,
          entries: [...RECORD.entries, entry(5, 3, "correction", "It was 162", "correction")],
        },
      },
    );
    await user.click(await screen.findByRole("button", { name: /Correct\s*entry 4/ }));
    const sign = screen.getByRole("button", { name: "Sign the correction" });
    await user.type(screen.getByLabelText("PIN"), "4711");
    expect(sign).toHaveProperty("disabled", true);
    await user.type(screen.getByLabelText("What is right"), "It was 162");
    await user.click(sign);
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(sent[0].body).toEqual({ entry: "e4", text: "It was 162", pin: "4711" });
    expect(screen.getAllByText(/It was 162/).length).toBe(2);
    expect(screen.queryByRole("button", { name: /Correct\s*entry 5/ })).toBeNull();
  });

  it("keeps the words of a correction when the PIN is wrong", async () => {
    const { user } = page({}, { "POST /api/logbook/r1/corrections": new Problem(401, "The PIN is wrong.") });
    await user.click(await screen.findByRole("button", { name: /Correct\s*entry 3/ }));
    await user.type(screen.getByLabelText("What is right"), "No sink was free");
    await user.type(screen.getByLabelText("PIN"), "0000");
    await user.click(screen.getByRole("button", { name: "Sign the correction" }));
    expect((await screen.findByRole("alert")).textContent).toBe("The PIN is wrong.");
    expect(screen.getByLabelText("What is right")).toHaveProperty("value", "No sink was free");
    expect(screen.getByLabelText("PIN")).toHaveProperty("value", "");
  });

  it("is corrected by nobody who did the work", async () => {
    page({}, {}, MAREN);
    await screen.findByText("62 mg/L at 18 °C", { exact: false, selector: "th" });
    expect(screen.queryByRole("button", { name: /Correct/ })).toBeNull();
  });

  it("says that there is no such record", async () => {
    page({}, { "GET /api/logbook/r1": new Problem(404, "There is no round r1.") });
    expect((await screen.findByRole("alert")).textContent).toMatch(/There is no round r1/);
  });
});
