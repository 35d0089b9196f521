// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { english } from "../testing/page";
import type { Pack, State } from "./fold";
import { set } from "./settings";
import { Timers } from "./Timers";

vi.mock("../app/session", () => ({ useSite: () => ({ data: undefined }) }));

const PACK = {
  steps: [
    { id: "soak", timer: { name: "tray soaking, sink 1", seconds: 600, contact: false } },
    { id: "collect", waitsFor: "soak" },
    { id: "sanitize", timer: { name: "contact", seconds: 60, contact: true } },
  ],
} as unknown as Pack;

const state = (timers: Record<string, number>, done: string[] = []) =>
  ({ timers, done, current: "collect" }) as unknown as State;
const vibrate = vi.fn();

function timers(s: State, at: number) {
  return render(<Timers pack={PACK} state={s} at={at} say={english} />);
}

beforeEach(() => {
  Object.defineProperty(navigator, "vibrate", { value: vibrate, configurable: true });
  vibrate.mockReset();
  set({ sound: false, vibrate: true });
});
afterEach(cleanup);

describe("what runs on over the steps", () => {
  it("counts down to the second", () => {
    timers(state({ soak: 1000 }), 1025);
    expect(screen.getByRole("timer").textContent).toBe("Tray soaking, sink 19:35");
  });

  it("calls once when a time is up, and says it to a screen reader", () => {
    const { rerender, container } = timers(state({ soak: 1000 }), 1599);
    expect(vibrate).not.toHaveBeenCalled();
    for (const at of [1600, 1601, 1700]) {
      rerender(<Timers pack={PACK} state={state({ soak: 1000 })} at={at} say={english} />);
    }
    expect(vibrate).toHaveBeenCalledTimes(1);
    expect(container.querySelector("[aria-live=assertive]")?.textContent).toBe(
      "tray soaking, sink 1: time is up",
    );
  });

  it("does not call for what was up before the page was opened", () => {
    timers(state({ soak: 1000 }), 5000);
    expect(screen.getByText("time is up")).toBeTruthy();
    expect(vibrate).not.toHaveBeenCalled();
  });

  it("calls again when it is begun anew", () => {
    const { rerender } = timers(state({ sanitize: 1000 }), 1059);
    rerender(<Timers pack={PACK} state={state({ sanitize: 1000 })} at={1060} say={english} />);
    rerender(<Timers pack={PACK} state={state({ sanitize: 1061 })} at={1062} say={english} />);
    rerender(<Timers pack={PACK} state={state({ sanitize: 1061 })} at={1121} say={english} />);
    expect(vibrate).toHaveBeenCalledTimes(2);
  });

  it("is over for the eye once it was collected, contact once its own step is done", () => {
    timers(state({ soak: 1000, sanitize: 1000 }, ["collect", "sanitize"]), 1010);
    expect(screen.queryByRole("timer")).toBeNull();
  });

  it("keeps still where somebody wants it so", () => {
    set({ vibrate: false });
    const { rerender } = timers(state({ soak: 1000 }), 1599);
    rerender(<Timers pack={PACK} state={state({ soak: 1000 })} at={1600} say={english} />);
    expect(vibrate).not.toHaveBeenCalled();
  });
});
