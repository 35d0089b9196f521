import { screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Outcome, PackStep } from "../round/core";
import { check } from "../round/entries";
import { speak } from "../shared/say";
import { show } from "../testing/page";
import { Checks } from "./Checks";

const STEP = {
  id: "measure",
  checks: [
    { id: "tension", name: "Blade tension", least: 60, most: 70, unit: "gauge", tolerance: 1 },
    { id: "warm", name: "Belt", least: -20, most: 45, unit: "°C" },
    { id: "track", name: "It runs in the middle" },
  ],
} as unknown as PackStep;

function checks(made: Record<string, Outcome> = {}, answers = {}) {
  const write = vi.fn(() => true);
  return { ...show(<Checks step={STEP} made={made} write={write} />, answers), write };
}

afterEach(() => speak("en", {}));

describe("checks", () => {
  it("takes a measured value with its unit, by comma as well", async () => {
    const { user, write } = checks();
    const button = screen.getByRole("button", { name: "Enter: Blade tension" });
    expect(button).toHaveProperty("disabled", true);
    await user.type(screen.getByRole("textbox", { name: "Blade tension, gauge" }), "64,5");
    await user.click(button);
    expect(write).toHaveBeenCalledWith(check("measure", "tension", 64.5, "gauge"));
  });

  it("takes no word for a number", async () => {
    const { user } = checks();
    await user.type(screen.getByRole("textbox", { name: "Blade tension, gauge" }), "tight");
    expect(screen.getByRole("button", { name: "Enter: Blade tension" })).toHaveProperty("disabled", true);
  });

  it("takes a look without a figure", async () => {
    const { user, write } = checks();
    await user.click(screen.getByRole("button", { name: "OK: It runs in the middle" }));
    expect(write).toHaveBeenCalledWith(check("measure", "track"));
  });

  it("says in, out and too close in words", () => {
    checks({ tension: "CANNOT_TELL", warm: "OUT", track: "IN" });
    expect(screen.getByText(/can’t tell with this gauge/)).toBeTruthy();
    expect(screen.getByText(/out of range/)).toBeTruthy();
    expect(screen.getByText(/– right/)).toBeTruthy();
  });

  it("is typed in °F where the thermometers show it", async () => {
    speak("en", {}, "°F");
    const { user, write } = checks({});
    await user.type(await screen.findByRole("textbox", { name: "Belt, °F" }), "104");
    await user.click(screen.getByRole("button", { name: "Enter: Belt" }));
    expect(write).toHaveBeenCalledWith(check("measure", "warm", 40, "°C"));
  });

  it("offers the meter that measures in the unit, and no other", async () => {
    const meter = { name: "Thermometer", unit: "°C", due: false };
    const { user } = checks(
      {},
      {
        "GET /api/instruments": [
          { ...meter, id: "t", kind: "THERMOMETER" },
          { ...meter, id: "p", name: "pH pen", kind: "PH_PEN" },
        ],
        "POST /api/instruments/t/readings": { value: 12.5, unit: "°C", says: "" },
      },
    );
    await user.click(await screen.findByRole("button", { name: /Read Thermometer/ }));
    await waitFor(() =>
      expect(screen.getByRole("textbox", { name: "Belt, °C" })).toHaveProperty("value", "12.5"),
    );
    expect(screen.queryByRole("button", { name: /pH pen/ })).toBeNull();
  });
});
