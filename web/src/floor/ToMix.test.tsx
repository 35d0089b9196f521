import { fireEvent, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { PACK } from "../testing/mixing";
import { show } from "../testing/page";
import { ToMix } from "./ToMix";

const SOAK = { product: "lyebourne-c25", litres: 40, percent: 1, celsius: 43, vessel: "sink 3" };
const BUCKET = { product: "halvern-h12", litres: 40, mgPerL: 150, celsius: 18, ph: 7.4, vessel: "sink 3" };
const site = { "GET /api/mixing/pack": PACK };

describe("what is mixed at a step", () => {
  it("is said in milliliters, and follows the liters that are really there", async () => {
    show(<ToMix mix={SOAK} />, site);
    expect(await screen.findByText("400 mL")).toBeDefined();
    expect(screen.getByText(/never water onto it/)).toBeDefined();
    // Nothing reads a detergent, so nobody is asked to.
    expect(screen.getByText("Stir until it is even.")).toBeDefined();
    expect(screen.queryByText(/read it/)).toBeNull();
    fireEvent.change(screen.getByLabelText("How much is there, L"), { target: { value: "20" } });
    expect(screen.getByText("200 mL")).toBeDefined();
    fireEvent.change(screen.getByLabelText("How much is there, L"), { target: { value: "75" } });
    expect(screen.queryByText("750 mL")).toBeNull();
    expect(screen.getByText(/do not go into it/)).toBeDefined();
  });

  it("gives a sanitizer at the strength of the step", async () => {
    show(<ToMix mix={BUCKET} />, site);
    expect(await screen.findByText(/It is then 150 mg\/L/)).toBeDefined();
  });

  it("makes up a foot bath by the label's own figures for it", async () => {
    const bath = { product: "halvern-h12", litres: 15, mgPerL: 1000, celsius: 20, vessel: "foot bath" };
    show(<ToMix mix={{ ...bath, leastMgPerL: 800, mostMgPerL: 1200 }} />, site);
    expect(await screen.findByText(/It is then 1024 mg\/L/)).toBeDefined();
    expect(screen.queryByText(/Too cold/)).toBeNull();
  });

  it("guesses nothing of a product that the site does not have", async () => {
    show(<ToMix mix={{ ...SOAK, product: "gone" }} />, site);
    expect(await screen.findByText(/does not know how much goes in/)).toBeDefined();
  });
});
