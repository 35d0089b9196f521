import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Hold } from "./Hold";

describe("the button that is held to confirm", () => {
  const done = vi.fn();
  const shown = (disabled = false) => {
    render(<Hold label="Hold: done" ready onDone={done} disabled={disabled} />);
    return screen.getByRole("button");
  };

  beforeEach(() => {
    vi.useFakeTimers();
    done.mockReset();
  });
  afterEach(() => {
    vi.useRealTimers();
    cleanup();
  });

  it("confirms nothing for a drop of water", () => {
    const b = shown();
    fireEvent.pointerDown(b);
    vi.advanceTimersByTime(690);
    fireEvent.pointerUp(b);
    vi.advanceTimersByTime(5_000);
    expect(done).not.toHaveBeenCalled();
  });

  it("confirms once, however long it is held", () => {
    const b = shown();
    fireEvent.pointerDown(b);
    vi.advanceTimersByTime(10_000);
    fireEvent.pointerUp(b);
    expect(done).toHaveBeenCalledTimes(1);
  });

  it.each(["pointerLeave", "pointerCancel"] as const)("gives up on %s", (what) => {
    const b = shown();
    fireEvent.pointerDown(b);
    vi.advanceTimersByTime(300);
    fireEvent[what](b);
    vi.advanceTimersByTime(5_000);
    expect(done).not.toHaveBeenCalled();
  });

  it("takes one press of a key, and not its repetition", () => {
    const b = shown();
    fireEvent.keyDown(b, { key: "Enter" });
    fireEvent.keyDown(b, { key: "Enter", repeat: true });
    fireEvent.keyDown(b, { key: "x" });
    expect(done).toHaveBeenCalledTimes(1);
    fireEvent.keyDown(b, { key: " " });
    expect(done).toHaveBeenCalledTimes(2);
  });

  it("does nothing for somebody who only reads", () => {
    const b = shown(true);
    fireEvent.pointerDown(b);
    vi.advanceTimersByTime(5_000);
    fireEvent.keyDown(b, { key: "Enter" });
    expect(done).not.toHaveBeenCalled();
  });
});
