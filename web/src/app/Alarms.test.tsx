import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { beep } from "../shared/beep";
import { NO_SIGNAL, show } from "../testing/page";
import { words } from "../testing/words";
import { Alarms } from "./Alarms";

const machine = (code: string, alarms: string[]) => ({ code, alarms: alarms.map(words), round: `r-${code}` });

describe("what a supervisor has to know at once", () => {
  it("is said with the machine and the way to the round", async () => {
    show(<Alarms />, { "GET /api/board": [machine("A1", []), machine("B1", ["62 mg/L is out of range."])] });
    expect((await screen.findByText("B1")).closest("p")?.textContent).toMatch(
      /^B1 62 mg\/L is out of range\./,
    );
    expect(screen.getByRole("link")).toHaveProperty("pathname", "/floor/r-B1");
  });

  it("is gone once it is known, and comes again when it is another", async () => {
    let said = "62 mg/L is out of range.";
    const { user } = show(<Alarms />, { "GET /api/board": () => [machine("B1", [said])] });
    await user.click(await screen.findByRole("button", { name: /Acknowledge/ }));
    await waitFor(() => expect(screen.queryByText("B1")).toBeNull());
    said = "58 mg/L is out of range.";
    show(<Alarms />, { "GET /api/board": () => [machine("B1", [said])] });
    expect(await screen.findByText(/58 mg/)).toBeTruthy();
  });

  it("is heard at once, and again until somebody knows", async () => {
    vi.useFakeTimers({ toFake: ["setInterval", "clearInterval"] });
    const heard = vi.mocked(beep);
    heard.mockClear();
    const { user } = show(<Alarms />, { "GET /api/board": [machine("B1", ["62 mg/L is out of range."])] });
    const known = await screen.findByRole("button", { name: /Acknowledge/ });
    await vi.waitFor(() => expect(heard).toHaveBeenCalledTimes(1));
    vi.advanceTimersByTime(31_000);
    expect(heard).toHaveBeenCalledTimes(3);
    await user.click(known);
    vi.advanceTimersByTime(60_000);
    expect(heard).toHaveBeenCalledTimes(3);
    vi.useRealTimers();
  });

  it("is nothing without an alarm, and nothing without signal", async () => {
    show(
      <>
        <Alarms />
        <p>the desk</p>
      </>,
      { "GET /api/board": NO_SIGNAL },
    );
    expect(await screen.findByText("the desk")).toBeTruthy();
    expect(screen.queryByRole("alert")).toBeNull();
  });
});
