import { cleanup, configure } from "@testing-library/react";
import "fake-indexeddb/auto";
import { afterEach, vi } from "vitest";
import { db } from "../shared/kept";
import { speak } from "../shared/say";

// Nothing is heard of the server unasked, and nothing is loud.
vi.mock("../shared/live", () => ({ useLive: () => "live" }));
vi.mock("../shared/beep", () => {
  // One for all files: a screen that an earlier file has loaded keeps the one that it got.
  const all = globalThis as { beep?: () => void };
  all.beep ??= vi.fn();
  return { beep: all.beep };
});

/* Screens are tested in one window after another's; nothing of a test may be there for the next. */

// Time out late: a machine that builds beside it is slow, not wrong.
configure({ asyncUtilTimeout: 10_000 });

globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
} as unknown as typeof ResizeObserver;
window.matchMedia ??= ((query: string) => ({
  matches: false,
  media: query,
  addEventListener() {},
  removeEventListener() {},
  addListener() {},
  removeListener() {},
})) as unknown as typeof window.matchMedia;
// Leaving a pressed key or pointer is of no concern here, and the page has no layout to scroll.
Element.prototype.scrollIntoView ??= () => undefined;

afterEach(async () => {
  cleanup();
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
  speak("en", {});
  localStorage.clear();
  for (const store of ["entries", "photos", "heard"] as const) {
    await (await db()).clear(store);
  }
});
