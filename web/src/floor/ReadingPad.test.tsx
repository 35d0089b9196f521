import { screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Pack } from "../round/core";
import { speak } from "../shared/say";
import { NO_SIGNAL, show } from "../testing/page";
import { words } from "../testing/words";
import { ReadingPad } from "./ReadingPad";

const PROBE: Schemas["Instrument"] = {
  id: "probe-2",
  name: "Chlorine probe 2",
  steps: [],
  tolerance: 3,
  temperatureTolerance: 0.5,
};
const STRIP = { ...PROBE, id: "strip", name: "Strip", steps: [0, 50, 100, 200] };
const PLAN: Schemas["ReadingPlan"] = {
  chemical: "Halvern H12",
  bands: [{ fromCelsius: 13, leastMgPerL: 100, mostMgPerL: 200 }],
  planned: words("120 mg/L"),
};

const PACK = {
  machine: "A1",
  steps: [{ id: "sanitize", number: 1, verb: "Sanitize", reading: PLAN }],
  instruments: [PROBE, STRIP],
} as unknown as Pack;

function pad(last?: Partial<Schemas["ReadingState"]>, answers = {}) {
  const onReading = vi.fn();
  const onCorrective = vi.fn();
  const shown = show(
    <ReadingPad
      pack={PACK}
      step="sanitize"
      plan={PLAN}
      last={last as Schemas["ReadingState"] | undefined}
      onReading={onReading}
      onCorrective={onCorrective}
    />,
    answers,
  );
  return { ...shown, onReading, onCorrective };
}

const strength = () => screen.getByRole("textbox", { name: /Strength/ });
const warmth = () => screen.getByRole("textbox", { name: /Temperature/ });
const enter = () => screen.getByRole("button", { name: "Enter the reading" });

afterEach(() => speak("en", {}));

describe("the reading pad", () => {
  it.each([
    ["120", "20", "In range, the whole of it."],
    ["103", "20", "In range, the whole of it."],
    ["102", "20", "Can’t tell with this instrument."],
    ["96", "20", "Out of range. This will not sanitize."],
    ["120", "5", "Out of range. This will not sanitize."],
    ["120", "13", "Can’t tell with this instrument."],
    ["120,5", "20,5", "In range, the whole of it."],
  ])("says of %s mg/L at %s °C: %s", async (s, t, says) => {
    const { user } = pad();
    await user.type(strength(), s);
    await user.type(warmth(), t);
    expect(screen.getByText(says)).toBeTruthy();
  });

  it.each([
    ["-1", "20", "Strength is a number from 0 to 1,000,000 mg/L."],
    ["120", "hot", "Temperature is a number from -10 to 110 °C."],
    ["120", "111", "Temperature is a number from -10 to 110 °C."],
  ])("does not take %s and %s, and says what it takes", async (s, t, says) => {
    const { user } = pad();
    await user.type(strength(), s);
    await user.type(warmth(), t);
    expect(screen.getByText(says)).toBeTruthy();
    expect(enter()).toHaveProperty("disabled", true);
  });

  it("hands over what the instrument shows, with its unit", async () => {
    const { user, onReading } = pad();
    await user.type(strength(), "118");
    await user.type(warmth(), "19.5");
    await user.click(enter());
    expect(onReading).toHaveBeenCalledWith("probe-2", 118, 19.5);
    expect(strength()).toHaveProperty("value", "");
  });

  it("is typed in °F where the thermometers show it, and kept in °C", async () => {
    speak("en", {}, "°F");
    const { user, onReading } = pad();
    await screen.findByRole("textbox", { name: /°F/ });
    await user.type(strength(), "118");
    await user.type(warmth(), "68");
    await user.click(enter());
    expect(onReading).toHaveBeenCalledWith("probe-2", 118, 20);
  });

  it("forgets a strength when another instrument is taken", async () => {
    const { user } = pad();
    await user.type(strength(), "118");
    await user.click(screen.getByRole("radio", { name: "Strip" }));
    expect(screen.getAllByRole("radio", { name: /^\d+$/ }).map((r) => r.textContent)).toEqual([
      "0",
      "50",
      "100",
      "200",
    ]);
    expect(enter()).toHaveProperty("disabled", true);
    await user.click(screen.getByRole("radio", { name: "200" }));
    await user.type(warmth(), "20");
    expect(screen.getByText("Can’t tell with this instrument.")).toBeTruthy();
  });

  it("takes what lies between two marks for anything between them", async () => {
    const { user, onReading } = pad();
    await user.click(screen.getByRole("radio", { name: "Strip" }));
    await user.click(screen.getByRole("button", { name: "It is between two marks" }));
    await user.click(screen.getByRole("radio", { name: "100 to 200" }));
    await user.type(warmth(), "20");
    expect(screen.getByText("In range, the whole of it.")).toBeTruthy();
    await user.click(screen.getByRole("radio", { name: "50 to 100" }));
    expect(screen.getByText("Can’t tell with this instrument.")).toBeTruthy();
    await user.click(enter());
    expect(onReading).toHaveBeenCalledWith("strip", 75, 20);
  });

  it("asks first what was done about a reading that was out", async () => {
    const { user, onCorrective } = pad({
      strength: 60,
      temperature: 18,
      outcome: "OUT",
      advice: words("Add 12 mL."),
      corrected: false,
    });
    expect(screen.getByRole("alert").textContent).toBe("Add 12 mL.");
    expect(screen.queryByRole("button", { name: "Enter the reading" })).toBeNull();
    await user.type(screen.getByRole("textbox"), "  Emptied it  ");
    await user.click(screen.getByRole("button", { name: "Record it" }));
    expect(onCorrective).toHaveBeenCalledWith("Emptied it");
  });

  it("takes a value from the meter, which the person still enters", async () => {
    const { user, onReading } = pad(undefined, {
      "GET /api/instruments": [
        { id: "probe-2", name: "Probe", kind: "COLORIMETER", unit: "mg/L", due: true },
      ],
      "POST /api/instruments/probe-2/readings": { value: 117, unit: "mg/L", says: "" },
    });
    await user.click(await screen.findByRole("button", { name: /Read Probe.*calibration overdue/ }));
    await waitFor(() => expect(strength()).toHaveProperty("value", "117"));
    expect(onReading).not.toHaveBeenCalled();
  });

  it.each([
    [NO_SIGNAL, /cannot be reached now: type/],
    [{ unit: "mg/L", says: "dark" }, /shows nothing that can be read/],
  ])("is typed when the meter gives nothing", async (answer, says) => {
    const { user } = pad(undefined, {
      "GET /api/instruments": [
        { id: "probe-2", name: "Probe", kind: "COLORIMETER", unit: "mg/L", due: false },
      ],
      "POST /api/instruments/probe-2/readings": answer,
    });
    await user.click(await screen.findByRole("button", { name: /Read Probe/ }));
    expect(await screen.findByText(says)).toBeTruthy();
    expect(strength()).toHaveProperty("value", "");
  });
});
