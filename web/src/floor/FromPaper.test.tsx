import { fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { asSent } from "../round/outbox";
import { show } from "../testing/page";
import { PaperTime, StartFromPaper, usePaper, written } from "./FromPaper";

const THREE = new Date(2026, 10, 28, 3, 0).getTime();

function Entering() {
  const [at, setAt] = usePaper("r7");
  return at === null ? <p>now</p> : <PaperTime at={at} onChange={setAt} />;
}

describe("a round that was done on paper", () => {
  afterEach(() => localStorage.clear());

  it("begins at the time that stands on it", async () => {
    let sent: { procedure: string; onPaper: number } | undefined;
    const { user, router } = show(<StartFromPaper procedure="p" />, {
      "POST /api/rounds": (body: typeof sent) => {
        sent = body;
        return { state: { id: "r7" } };
      },
    });
    await user.click(screen.getByRole("button", { name: "It was done on paper…" }));
    fireEvent.change(screen.getByLabelText("Begun at, as on the paper"), {
      target: { value: written(THREE) },
    });
    await user.click(screen.getByRole("button", { name: "Enter it" }));
    await waitFor(() => expect(router.state.location.pathname).toBe("/floor/r7"));
    expect(sent).toEqual({ procedure: "p", onPaper: THREE });
    expect(localStorage.getItem("paper:r7")).toBe(String(THREE));
  });

  it("goes on from line to line, also after the page was closed, and ends when it is said", async () => {
    localStorage.setItem("paper:r7", String(THREE));
    const { user } = show(<Entering />, {});
    await user.click(screen.getByRole("button", { name: "+ 10 min" }));
    await user.click(screen.getByRole("button", { name: "+ 1 min" }));
    expect(screen.getByLabelText("From paper, at")).toHaveProperty("value", written(THREE + 11 * 60_000));
    expect(localStorage.getItem("paper:r7")).toBe(String(THREE + 11 * 60_000));
    await user.click(screen.getByRole("button", { name: "The paper ends here" }));
    expect(screen.getByText("now")).toBeTruthy();
    expect(localStorage.getItem("paper:r7")).toBeNull();
  });

  it("says of each entry that it comes from paper, and when it was made", () => {
    const made = { kind: "step-done", step: "s", figures: [] };
    expect(asSent("h", made, THREE)).toMatchObject({ device: "paper", tabletTime: THREE });
    expect(asSent("h", made).device).toMatch(/^tablet-/);
  });
});
