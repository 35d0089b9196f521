import { fireEvent, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Step } from "../ribbon/draft";
import type { Actions } from "../ribbon/words";
import table from "../testing/actions.json";
import { PACK } from "../testing/mixing";
import { show } from "../testing/page";
import { StepEditor } from "./StepEditor";

const sheet = {
  code: "QK-SL1",
  parts: [],
  passages: [],
  options: [],
  energies: [{ id: "cord", name: "Motor on its cord" }],
  checks: [],
  fittings: [],
  programs: [],
} as unknown as Schemas["SheetView"];

function editor(step: Partial<Step>, problems: { pointer: string; message: string }[] = []) {
  const onChange = vi.fn();
  show(
    <StepEditor
      step={{ id: "s1", action: "wash", ...step } as Step}
      settled
      number={1}
      actions={table as Actions}
      sheet={sheet}
      chemicals={[]}
      problems={problems}
      readOnly={false}
      onChange={onChange}
    />,
    { "GET /api/mixing/pack": PACK },
  );
  return onChange;
}

describe("the form of a step", () => {
  it("is drawn from the table of actions: what is common stands open, the rest is folded and named", () => {
    editor({ direction: "center outward" });
    expect(screen.getByLabelText("Strength").closest("details")).toBeNull();
    expect(screen.getByLabelText("Direction of wiping").closest("details")).toBeNull();
    expect(screen.getByLabelText("Brush or cloth").closest("details")).not.toBeNull();
    expect(screen.getByText(/More fields: .*brush or cloth/)).toBeTruthy();
  });

  it("has nothing to fold where an action states little, and says what is wrong at its field", () => {
    editor({ action: "lock", energies: ["cord"], locks: 30 }, [
      { pointer: "/steps/0/locks", message: "The number of locks is 30; allowed is 0 to 20." },
    ]);
    expect(screen.queryByText(/More it can state/)).toBeNull();
    expect(screen.getByText(/allowed is 0 to 20/)).toBeTruthy();
  });

  it("offers the lowest strength that an instrument of the site surely reads as enough", async () => {
    const onChange = editor({
      action: "sanitize",
      chemical: "halvern-h12",
      strength: { value: 100, unit: "mg/L" },
      temperature: { value: 64.4, unit: "°F" },
      ph: 7.4,
    });
    expect(await screen.findByText(/Chlorine probe 2 decides from 103 to 197 mg\/L here/)).toBeDefined();
    fireEvent.click(screen.getByRole("button", { name: "Aim at 110 mg/L" }));
    expect(onChange.mock.lastCall?.[0].strength).toEqual({ value: 110, unit: "mg/L" });
  });

  it("takes a figure with its unit, and a text that is none is kept with a word about it", () => {
    const onChange = editor({});
    fireEvent.change(screen.getByLabelText("Temperature"), { target: { value: "113 °F" } });
    expect(onChange).toHaveBeenLastCalledWith(
      expect.objectContaining({ temperature: { value: 113, unit: "°F" } }),
      "s1-temperature",
    );
    fireEvent.change(screen.getByLabelText("Temperature"), { target: { value: "warm" } });
    expect(screen.getByText(/a number with its unit, for instance 45 °C or 113 °F/)).toBeTruthy();
  });

  it("keeps on another action what that one takes too, and what it needs is there", () => {
    const onChange = editor({ items: ["blade"], method: "brush", direction: "outward" });
    fireEvent.change(screen.getByLabelText("What is done"), { target: { value: "dry" } });
    const dried = onChange.mock.lastCall?.[0];
    expect(dried.items).toEqual(["blade"]);
    expect(dried.method).toBeUndefined();
    expect(dried.direction).toBeUndefined();
    fireEvent.change(screen.getByLabelText("What is done"), { target: { value: "operate" } });
    expect(onChange.mock.lastCall?.[0].mode).toBe("stop");
  });
});
