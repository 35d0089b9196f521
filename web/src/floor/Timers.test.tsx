import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Running } from "../round/core";
import { set } from "../shared/settings";
import { words } from "../testing/words";
import { Timers } from "./Timers";

const SOAK = { step: "soak", name: words("tray soaking, sink 1"), ends: 1_600_000 };
const contact = (ends: number) => ({ step: "sanitize", name: words("contact"), ends });
const vibrate = vi.fn();
const noSite = new QueryClient({ defaultOptions: { queries: { enabled: false } } });

const shown = (at: number, ...running: Running[]) => (
  <QueryClientProvider client={noSite}>
    <Timers running={running} at={at} />
  </QueryClientProvider>
);

beforeEach(() => {
  Object.defineProperty(navigator, "vibrate", { value: vibrate, configurable: true });
  vibrate.mockReset();
  set({ sound: false, vibrate: true });
});

describe("what runs on over the steps", () => {
  it("counts down to the second", () => {
    render(shown(1_025_000, SOAK));
    expect(screen.getByRole("timer").textContent).toBe("Tray soaking, sink 19:35");
  });

  it("calls once when a time is up, and says it to a screen reader", () => {
    const { rerender, container } = render(shown(1_599_000, SOAK));
    expect(vibrate).not.toHaveBeenCalled();
    for (const at of [1_600_000, 1_601_000, 1_700_000]) {
      rerender(shown(at, SOAK));
    }
    expect(vibrate).toHaveBeenCalledTimes(1);
    expect(container.querySelector("[aria-live=assertive]")?.textContent).toBe(
      "tray soaking, sink 1: time is up",
    );
  });

  it("does not call for what was up before the page was opened", () => {
    render(shown(5_000_000, SOAK));
    expect(screen.getByText("time is up")).toBeTruthy();
    expect(vibrate).not.toHaveBeenCalled();
  });

  it("calls again when it is begun anew", () => {
    const { rerender } = render(shown(1_059_000, contact(1_060_000)));
    rerender(shown(1_060_000, contact(1_060_000)));
    rerender(shown(1_062_000, contact(1_121_000)));
    rerender(shown(1_121_000, contact(1_121_000)));
    expect(vibrate).toHaveBeenCalledTimes(2);
  });

  it("keeps still where somebody wants it so", () => {
    set({ vibrate: false });
    const { rerender } = render(shown(1_599_000, SOAK));
    rerender(shown(1_600_000, SOAK));
    expect(vibrate).not.toHaveBeenCalled();
  });
});
