// @vitest-environment jsdom
import { afterEach, beforeEach, expect, it, vi } from "vitest";

const posted = vi.fn();
let changed: () => void = () => undefined;
const worker = (waits: boolean) => ({
  waiting: waits ? { postMessage: posted } : null,
  update: async () => undefined,
  addEventListener: () => undefined,
});

async function page(path: string, waits: boolean) {
  vi.resetModules();
  window.history.pushState(null, "", path);
  Object.defineProperty(navigator, "serviceWorker", {
    configurable: true,
    value: {
      controller: {},
      register: async () => worker(waits),
      addEventListener: (_: string, f: () => void) => {
        changed = f;
      },
    },
  });
  const update = await import("./update");
  await update.keepUpToDate();
  return update;
}

beforeEach(() => {
  vi.useFakeTimers();
  posted.mockReset();
});
afterEach(() => vi.useRealTimers());

it.each(["/floor/r7", "/procedures/p/1", "/release/r7", "/machines/A1/sheet"])(
  "leaves the code alone at %s",
  async (path) => {
    const { moveOn } = await page(path, true);
    expect(posted).not.toHaveBeenCalled();
    const reload = vi.fn();
    changed();
    moveOn(path, reload);
    expect(reload).not.toHaveBeenCalled();
    moveOn("/floor", reload);
    expect(reload).toHaveBeenCalledTimes(1);
  },
);

it.each(["/floor", "/floor/at/A1", "/floor/start/saw", "/procedures", "/logbook/r7"])(
  "takes a new version over at %s",
  async (path) => {
    await page(path, true);
    expect(posted).toHaveBeenCalledWith({ type: "SKIP_WAITING" });
  },
);

it("does nothing while none waits", async () => {
  await page("/floor", false);
  expect(posted).not.toHaveBeenCalled();
});
