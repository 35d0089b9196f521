// @vitest-environment jsdom
import { fireEvent, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { PACK } from "../testing/mixing";
import { MAREN, show } from "../testing/page";
import Mixing from "./Mixing";

vi.mock("../shared/live", () => ({ useLive: () => "live" }));

function bench(at = "/mixing", answers = {}) {
  return show(
    <Mixing />,
    {
      "GET /api/mixing/pack": PACK,
      "GET /api/session": MAREN,
      "GET /api/stream": { newest: [], entries: 0, now: Date.now() },
      "GET /api/instruments": [],
      ...answers,
    },
    at,
  );
}

describe("the mixing bench", () => {
  it("says how much of what goes in, at a strength that can be read and lasts", async () => {
    bench("/mixing?litres=40&t=18&ph=7.4");
    expect(await screen.findByText("30 mL")).toBeDefined();
    expect(screen.getByText(/It is then 110 mg\/L/)).toBeDefined();
    expect(screen.getByText(/Keep surfaces wet for 60 s/)).toBeDefined();
    expect(screen.getByText(/The lowest that reads as enough for sure/)).toBeDefined();
    expect(screen.queryByText("Quat kit")).toBeNull();
  });

  it("moves the level and the aim by keys", async () => {
    bench("/mixing?litres=40&t=18&ph=7.4");
    const level = await screen.findByRole("slider");
    fireEvent.keyDown(level, { key: "ArrowUp" });
    expect(level.getAttribute("aria-valuenow")).toBe("41");
    const map = screen.getByRole("application");
    fireEvent.keyDown(map, { key: "ArrowRight" });
    expect(map.getAttribute("aria-label")).toContain("115 mg/L");
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    fireEvent.keyDown(map, { key: "ArrowDown" });
    expect(await screen.findByText(/Too cold/)).toBeDefined();
    expect(screen.queryByRole("button", { name: /I mixed it/ })).toBeNull();
  });

  it("says of a reading what it means and what to do", async () => {
    const { user } = bench("/mixing?litres=40&t=18&ph=7.4");
    await user.type(await screen.findByLabelText("It shows, mg/L"), "62");
    expect(await screen.findByText(/Out of range/)).toBeDefined();
    expect(screen.getByText("Add 13 mL of Halvern H12 to the 40 L")).toBeDefined();
    await user.clear(screen.getByLabelText("It shows, mg/L"));
    await user.type(screen.getByLabelText("It shows, mg/L"), "101");
    expect(await screen.findByText(/Can’t tell/)).toBeDefined();
    await user.clear(screen.getByLabelText("It shows, mg/L"));
    await user.type(screen.getByLabelText("It shows, mg/L"), "400");
    expect(await screen.findByText(/0 to 300 mg\/L/)).toBeDefined();
  });

  it("refuses what does not go in, and warns of caustic", async () => {
    bench("/mixing?litres=61&t=18&ph=7.4");
    expect(await screen.findByText(/do not go into it/)).toBeDefined();
    bench("/mixing?product=lyebourne-c25&litres=20&t=25");
    expect(await screen.findByText(/never water onto it/)).toBeDefined();
    expect(screen.getByText("200 mL")).toBeDefined();
  });

  it("has every calculation with its formula, and names what is wrong", async () => {
    const { user } = bench("/mixing?show=calc&calc=dilute");
    expect(await screen.findByText(/40 L × 100 mg\/L ÷ 146250 mg\/L/)).toBeDefined();
    await user.clear(screen.getByLabelText("volume"));
    await user.type(screen.getByLabelText("volume"), "0L");
    expect(await screen.findAllByText(/nothing to mix/)).not.toHaveLength(0);
  });

  it("says of an unknown label that it is not of this site", async () => {
    bench("/mixing?label=ZZZZZ");
    expect(await screen.findByText(/No solution of this site has the label ZZZZZ/)).toBeDefined();
  });
});
