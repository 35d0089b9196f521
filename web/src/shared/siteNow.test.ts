// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from "vitest";
import { aheadBy, siteAhead, siteNow } from "./siteNow";

describe("the site's clock", () => {
  afterEach(() => {
    aheadBy(0);
    vi.useRealTimers();
  });

  it("is the true time, but for the demo", () => {
    vi.useFakeTimers({ now: 1_000 });
    expect(siteNow()).toBe(1_000);
    aheadBy(86_400_000);
    expect(siteNow()).toBe(86_401_000);
    expect(siteAhead()).toBe(86_400_000);
  });

  it("is kept for when there is no signal, and forgotten with the demo", async () => {
    aheadBy(-5_000);
    expect(localStorage.getItem("site-clock-ahead")).toBe("-5000");
    vi.resetModules();
    const again = await import("./siteNow");
    expect(again.siteAhead()).toBe(-5_000);
    aheadBy(0);
    expect(localStorage.getItem("site-clock-ahead")).toBeNull();
  });

  it("takes what was kept wrong for none", async () => {
    localStorage.setItem("site-clock-ahead", "yesterday");
    vi.resetModules();
    const again = await import("./siteNow");
    expect(again.siteAhead()).toBe(0);
  });
});
