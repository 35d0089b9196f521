import { screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Pack, State } from "../round/core";
import { show } from "../testing/page";
import { Trouble } from "./Trouble";

const PACK = {
  troubles: [
    { kind: "INJURY", title: "Somebody is hurt", now: ["Stop the bleeding.", "Call 112."], about: "NOTHING" },
    { kind: "FAILED", title: "A part is not clean", now: ["Put it back."], about: "A_PART_TO_REDO" },
  ],
  rework: [
    { item: "blade", name: "Blade", since: [] },
    { item: "tray", name: "Tray", since: [] },
  ],
} as unknown as Pack;

function dialog(first: string | null = null) {
  const calls = { onSay: vi.fn(), onOtherwise: vi.fn(), onClose: vi.fn() };
  const state = { current: "wash" } as unknown as State;
  return {
    ...show(<Trouble pack={PACK} state={state} first={first} {...calls} />),
    ...calls,
  };
}

const write = (name = "Record it") => screen.getByRole("button", { name });

describe("something is wrong", () => {
  it("says first what to do, in order, before it asks for words", async () => {
    const { user } = dialog();
    await user.click(screen.getByRole("button", { name: "Somebody is hurt" }));
    expect(screen.getAllByRole("listitem").map((l) => l.textContent)).toEqual([
      "Stop the bleeding.",
      "Call 112.",
    ]);
    expect(write()).toHaveProperty("disabled", true);
  });

  it("wants a few words, and spaces are none", async () => {
    const { user, onSay } = dialog();
    await user.click(screen.getByRole("button", { name: "Somebody is hurt" }));
    const words = screen.getByRole("textbox");
    await user.type(words, "     ");
    expect(write()).toHaveProperty("disabled", true);
    await user.clear(words);
    await user.type(words, " cut finger ");
    await user.click(write());
    expect(onSay).toHaveBeenCalledWith("INJURY", "cut finger", undefined);
  });

  it("wants the part where a part is meant, and one only", async () => {
    const { user, onSay } = dialog();
    await user.click(screen.getByRole("button", { name: "A part is not clean" }));
    await user.type(screen.getByRole("textbox"), "soil");
    const again = write("Record it and do it again");
    expect(again).toHaveProperty("disabled", true);
    await user.click(screen.getByRole("button", { name: "Blade" }));
    await user.click(screen.getByRole("button", { name: "Tray" }));
    expect(screen.getByRole("button", { name: "Blade" }).getAttribute("aria-pressed")).toBe("false");
    await user.click(again);
    expect(onSay).toHaveBeenCalledWith("FAILED", "soil", "tray");
  });

  it("goes back to the choice, and out", async () => {
    const { user, onClose } = dialog();
    await user.click(screen.getByRole("button", { name: "This step was done differently" }));
    await user.click(screen.getByRole("button", { name: "Back" }));
    await user.click(screen.getByRole("button", { name: "Nothing, back" }));
    expect(onClose).toHaveBeenCalledOnce();
  });

  it("is at once where it was opened for: the machine moved", async () => {
    const { user, onClose } = dialog("INJURY");
    expect(screen.getByText("Stop the bleeding.")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Back" }));
    expect(onClose).toHaveBeenCalledOnce();
  });

  it("keeps a deviation apart from a trouble", async () => {
    const { user, onSay, onOtherwise } = dialog();
    await user.click(screen.getByRole("button", { name: "This step was done differently" }));
    await user.type(screen.getByRole("textbox"), "by hand");
    await user.click(write());
    expect(onOtherwise).toHaveBeenCalledWith("by hand");
    expect(onSay).not.toHaveBeenCalled();
  });
});
