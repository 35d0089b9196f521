import { renderHook } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { speak } from "./say";
import { told, useReading } from "./texts";

describe("a screen that shows a document", () => {
  beforeEach(() => speak("es", { guard: "guarda" }, "°C", "L", { "QK-SL1": { guard: "protección" } }));
  afterEach(() => speak("en", {}));

  it("speaks its words until another screen is shown", () => {
    const first = renderHook(({ code }) => useReading(code), { initialProps: { code: "QK-GR1" } });
    expect(told("guard")).toBe("guarda");
    first.rerender({ code: "QK-SL1" });
    expect(told("guard")).toBe("protección");
    first.unmount();
    expect(told("guard")).toBe("guarda");
  });

  it("keeps its own where the one that was left takes back its", () => {
    const left = renderHook(() => useReading("QK-GR1"));
    left.unmount();
    const shown = renderHook(() => useReading(undefined, "QK-SL1"));
    expect(told("guard")).toBe("protección");
    shown.unmount();
  });
});
