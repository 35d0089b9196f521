import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Pack } from "../round/core";
import { lockOff, lockOn } from "../round/entries";
import type { Round } from "../round/useRound";
import { ILSE, MAREN, Problem, show } from "../testing/page";
import { Locks } from "./Locks";

const PACK = {
  steps: [{ id: "lock", asks: [{ id: "a", kind: "LOCK", item: "drive", name: "Drive" }] }],
} as unknown as Pack;
const lock = (who: string, number: string) => ({ energy: "drive", lock: number, who, at: 1_800_000_000_000 });

function locks(on: object[], who = MAREN, answers = {}) {
  const live = {
    state: { locks: on, current: "lock" },
    server: { packHash: "h" },
    refusal: null,
    write: vi.fn(() => true),
    take: vi.fn(),
  };
  const shown = show(
    <Locks round="r1" pack={PACK} live={live as unknown as Round} actor={who} onClose={vi.fn()} />,
    { "GET /api/session": who, ...answers },
  );
  return { ...shown, live };
}

describe("the locks on a machine", () => {
  it("names whose lock is on and since when", async () => {
    locks([lock("Pell Okonjo", "17")]);
    expect(await screen.findByText(/Pell Okonjo, since 08:00/)).toBeTruthy();
  });

  it("lets everybody take off their own, and nobody another's", async () => {
    const { user, live } = locks([lock("Maren Oyelaran", "4"), lock("Pell Okonjo", "17")]);
    const own = await screen.findAllByRole("button", { name: "I take it off" });
    expect(own.length).toBe(1);
    expect(screen.queryByRole("button", { name: /They cannot come/ })).toBeNull();
    await user.click(own[0]);
    expect(live.write).toHaveBeenCalledWith(lockOff("lock", "drive", "4"));
  });

  it("asks who has no lock of their own for its number, and remembers it", async () => {
    const { user, live } = locks([lock("Pell Okonjo", "17")]);
    await user.type(await screen.findByRole("textbox", { name: /number on your lock/ }), " 23 ");
    await user.click(screen.getByRole("button", { name: "It is on" }));
    expect(live.write).toHaveBeenCalledWith(lockOn("lock", "drive", "23"));
    expect(localStorage.getItem("my-lock")).toBe("23");
  });

  it("wants the supervisor's reason in some words and the PIN for another's lock", async () => {
    const { user, sent, live } = locks([lock("Pell Okonjo", "17")], ILSE, {
      "POST /api/rounds/r1/entries": { entries: 4 },
    });
    await user.click(await screen.findByRole("button", { name: /They cannot come/ }));
    expect(screen.getByText(/make sure that they are not at the machine/)).toBeTruthy();
    const sign = screen.getByRole("button", { name: "Take off lock 17 and sign" });
    await user.type(screen.getByLabelText("PIN"), "4711");
    await user.type(screen.getByLabelText(/how you made sure/), "gone");
    expect(sign).toHaveProperty("disabled", true);
    await user.type(screen.getByLabelText(/how you made sure/), " home, spoke on the phone");
    await user.click(sign);
    await waitFor(() => expect(live.take).toHaveBeenCalled());
    expect(sent[0].body).toMatchObject({ kind: "lock-off", pin: "4711" });
  });

  it("says why the lock stays on, and forgets the PIN", async () => {
    const { user, live } = locks([lock("Pell Okonjo", "17")], ILSE, {
      "POST /api/rounds/r1/entries": new Problem(401, "The PIN is wrong. 4 tries left."),
    });
    await user.click(await screen.findByRole("button", { name: /They cannot come/ }));
    await user.type(screen.getByLabelText(/how you made sure/), "left, spoke on the phone");
    await user.type(screen.getByLabelText("PIN"), "0000");
    await user.click(screen.getByRole("button", { name: "Take off lock 17 and sign" }));
    expect((await screen.findByRole("alert")).textContent).toMatch(/4 tries left/);
    expect(screen.getByLabelText("PIN")).toHaveProperty("value", "");
    expect(live.take).not.toHaveBeenCalled();
  });

  it("knows a person by who they are, whatever their name is now", async () => {
    locks(
      [
        { ...lock("Maren Before", "4"), person: "2" },
        { ...lock(MAREN.name, "5"), person: "9" },
      ],
      MAREN,
    );
    const own = await screen.findAllByRole("button", { name: "I take it off" });
    expect(own.length).toBe(1);
    expect(own[0].closest("li")?.textContent).toMatch(/Lock 4/);
  });

  it("says that none is on", async () => {
    locks([]);
    expect(await screen.findByText("No lock is on.")).toBeTruthy();
  });
});
