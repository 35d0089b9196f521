import { fireEvent, screen, waitFor } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Pack } from "../round/core";
import { pieceOn } from "../round/entries";
import type { Round } from "../round/useRound";
import { NO_SIGNAL, Problem, show } from "../testing/page";
import { Closing } from "./Closing";

const PACK = {
  steps: [
    { id: "off", off: [{ key: "tray#1", name: "Tray" }], on: [] },
    { id: "record", off: [], on: [] },
  ],
} as unknown as Pack;

function closing(state: object = {}, kept = 0, answer: unknown = { entries: 9 }, mayWork = true) {
  const live = {
    state: { status: "OPEN", off: [], ...state },
    server: { packHash: "h" },
    kept,
    write: vi.fn(),
    take: vi.fn(),
  };
  const shown = show(<Closing round="r1" pack={PACK} live={live as unknown as Round} mayWork={mayWork} />, {
    "POST /api/rounds/r1/entries": answer,
  });
  return { ...shown, live };
}

const sign = () => screen.getByRole("button", { name: "Hold: sign and close" });
const press = () => fireEvent.keyDown(sign(), { key: "Enter" });

describe("handing the round over", () => {
  it("signs with the PIN, and takes what the server says", async () => {
    const { user, sent, live } = closing();
    expect(sign()).toHaveProperty("disabled", true);
    await user.type(screen.getByLabelText("PIN"), "3350");
    press();
    await waitFor(() => expect(live.take).toHaveBeenCalledWith({ entries: 9 }));
    expect(sent[0].body).toMatchObject({ kind: "round-closed", step: "record", pin: "3350", packHash: "h" });
    expect(JSON.stringify(localStorage)).not.toContain("3350");
  });

  it.each([
    [new Problem(401, "The PIN is wrong. 4 tries left."), /4 tries left/],
    [new Problem(409, "Not back yet: Tray."), /Not back yet: Tray/],
    [NO_SIGNAL, /cannot be reached/],
  ])("says why not, keeps the round and forgets the PIN", async (answer, says) => {
    const { user, live } = closing({}, 0, answer);
    await user.type(screen.getByLabelText("PIN"), "3350");
    press();
    expect((await screen.findByRole("alert")).textContent).toMatch(says);
    expect(screen.getByLabelText("PIN")).toHaveProperty("value", "");
    expect(live.take).not.toHaveBeenCalled();
  });

  it("waits for signal while entries are kept here", async () => {
    const { user } = closing({}, 3);
    expect(screen.getByText(/3 entries are kept here/)).toBeTruthy();
    await user.type(screen.getByLabelText("PIN"), "3350");
    expect(sign()).toHaveProperty("disabled", true);
  });

  it("shows each piece that is not back, and takes it back", async () => {
    const { user, live } = closing({ off: ["tray#1"] });
    await user.click(screen.getByRole("button", { name: "Tray is back" }));
    expect(live.write).toHaveBeenCalledWith(pieceOn("off", "tray#1"));
  });

  it("is not signed by somebody who only reads", () => {
    closing({}, 0, {}, false);
    expect(screen.getByLabelText("PIN")).toHaveProperty("disabled", true);
    expect(sign()).toHaveProperty("disabled", true);
  });

  it.each([
    ["WAITING", /Somebody else inspects it now/],
    ["RELEASED", /It is released/],
  ])("says what comes next when it is %s", (status, says) => {
    closing({ status });
    expect(screen.getByText(says)).toBeTruthy();
    expect(screen.getByRole("link", { name: "Read the record" })).toHaveProperty("pathname", "/logbook/r1");
  });
});
