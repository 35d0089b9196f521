import { act, fireEvent, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { show } from "../testing/page";
import { Dip, StrengthDial } from "./Dials";

describe("a strip", () => {
  beforeEach(() => vi.useFakeTimers({ shouldAdvanceTime: false }));
  afterEach(() => vi.useRealTimers());
  const pass = (ms: number) => act(() => vi.advanceTimersByTime(ms));

  it("is dipped, read within its window, and thrown away after it", () => {
    const late = vi.fn();
    show(<Dip dip={10} read={15} onLate={late} />, {});
    fireEvent.click(screen.getByRole("button", { name: "Dip it: 10 s, then read within 15 s" }));
    pass(1_000);
    expect(screen.getByText("In the solution: 9 s")).toBeDefined();
    pass(9_200);
    expect(screen.getByText(/read it now: 15 s/)).toBeDefined();
    expect(late).not.toHaveBeenCalled();
    pass(15_200);
    expect(screen.getByText(/Too late to read/)).toBeDefined();
    expect(late).toHaveBeenCalledOnce();
    fireEvent.click(screen.getByRole("button", { name: "New strip" }));
    pass(400);
    expect(screen.getByText("In the solution: 10 s")).toBeDefined();
  });

  it("loses what was read off it once it is too late", () => {
    const onChange = vi.fn();
    show(
      <StrengthDial
        by={{ steps: [0, 50, 100], dipSeconds: 1, readSeconds: 5 }}
        label="It shows"
        value="100"
        onChange={onChange}
      />,
      {},
    );
    fireEvent.click(screen.getByRole("button", { name: /Dip it/ }));
    pass(6_400);
    expect(onChange).toHaveBeenCalledWith("");
  });

  it("without times it is read as it is", () => {
    show(<StrengthDial by={{ steps: [0, 50] }} label="It shows" value="" onChange={() => {}} />, {});
    expect(screen.queryByRole("button", { name: /Dip it/ })).toBeNull();
    expect(screen.getAllByRole("radio")).toHaveLength(2);
  });
});
