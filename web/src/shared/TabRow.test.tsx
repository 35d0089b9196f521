import { render, screen } from "@testing-library/react";
import { userEvent } from "@testing-library/user-event";
import { useState } from "react";
import { expect, test } from "vitest";
import { TabRow } from "./TabRow";

function Page() {
  const [shown, show] = useState("a");
  const tabs = [
    { id: "a", name: "Verdict" },
    { id: "b", name: "Step", disabled: true },
    { id: "c", name: "Compare" },
  ];
  return <TabRow tabs={tabs} shown={shown} onShow={show} className="tabs" label="What is shown" />;
}

test("Arrow keys walk the tabs round, past what is not open; the tab key stops once", async () => {
  render(<Page />);
  const user = userEvent.setup();
  await user.tab();
  const chosen = () => [document.activeElement, screen.getByRole("tab", { selected: true })];
  for (const [key, name] of [
    ["{ArrowRight}", "Compare"],
    ["{ArrowRight}", "Verdict"],
    ["{End}", "Compare"],
    ["{Home}", "Verdict"],
    ["{ArrowLeft}", "Compare"],
  ]) {
    await user.keyboard(key as string);
    const tab = screen.getByRole("tab", { name: name as string });
    expect(chosen()).toEqual([tab, tab]);
  }
  await user.tab();
  expect(screen.getByRole("tablist").contains(document.activeElement)).toBe(false);
});
