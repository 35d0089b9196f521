import { renderHook, waitFor } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import { keepForGood, useStayAwake } from "./stayAwake";

const on = (name: string, value: unknown) =>
  Object.defineProperty(navigator, name, { configurable: true, value });

afterEach(() => on("wakeLock", undefined));

it("holds the screen on while it is shown, again when it comes back, and lets go", async () => {
  const release = vi.fn(async () => undefined);
  const request = vi.fn(async () => ({ release }));
  on("wakeLock", { request });
  const { unmount } = renderHook(() => useStayAwake());
  await waitFor(() => expect(request).toHaveBeenCalledTimes(1));
  document.dispatchEvent(new Event("visibilitychange"));
  await waitFor(() => expect(request).toHaveBeenCalledTimes(2));
  unmount();
  await waitFor(() => expect(release).toHaveBeenCalled());
  document.dispatchEvent(new Event("visibilitychange"));
  expect(request).toHaveBeenCalledTimes(2);
});

it("goes on where the device refuses or cannot", async () => {
  on("wakeLock", {
    request: async () => {
      throw new Error("battery");
    },
  });
  renderHook(() => useStayAwake()).unmount();
  on("storage", undefined);
  expect(await keepForGood()).toBe(false);
  on("storage", { persisted: async () => false, persist: async () => true });
  expect(await keepForGood()).toBe(true);
});
