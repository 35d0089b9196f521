import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { createMemoryRouter, type Navigator, Router, RouterProvider, type To } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { useAsked } from "./useAsked";
import { useHand } from "./useHand";

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

function Page() {
  const [asked, put] = useAsked();
  return (
    <>
      <output>{asked.toString()}</output>
      <button type="button" onClick={() => put({ litres: Number(asked.get("litres") ?? 0) + 1 })}>
        more
      </button>
      <button type="button" onClick={() => put({ litres: null, t: 20 })}>
        none
      </button>
    </>
  );
}

const open = () => {
  const router = createMemoryRouter([{ path: "/mixing", element: <Page /> }], {
    initialEntries: ["/mixing?litres=1"],
  });
  render(<RouterProvider router={router} />);
  return router;
};

describe("what is asked of the bench", () => {
  it("answers at once, and the address follows when the hand is still", () => {
    const router = open();
    fireEvent.click(screen.getByText("more"));
    fireEvent.click(screen.getByText("more"));
    expect(screen.getByRole("status").textContent).toBe("litres=3");
    expect(router.state.location.search).toBe("?litres=1");
    act(() => void vi.advanceTimersByTime(300));
    expect(router.state.location.search).toBe("?litres=3");
    fireEvent.click(screen.getByText("none"));
    act(() => void vi.advanceTimersByTime(300));
    expect(router.state.location.search).toBe("?t=20");
  });

  it("follows a link, and forgets what was not written down yet", () => {
    const router = open();
    fireEvent.click(screen.getByText("more"));
    act(() => void router.navigate("/mixing?litres=9"));
    expect(screen.getByRole("status").textContent).toBe("litres=9");
    act(() => void vi.advanceTimersByTime(300));
    expect(router.state.location.search).toBe("?litres=9");
  });

  it("keeps what was asked last when an older address of its own comes back late", () => {
    const written: To[] = [];
    const navigator = {
      createHref: () => "",
      replace: (to: To) => written.push(to),
    } as unknown as Navigator;
    const at = (search: string) => (
      <Router location={{ pathname: "/mixing", search }} navigator={navigator}>
        <Page />
      </Router>
    );
    const page = render(at("?litres=1"));
    for (const _ of [2, 3]) {
      fireEvent.click(screen.getByText("more"));
      act(() => void vi.advanceTimersByTime(300));
    }
    expect(written.map((to) => (to as { search: string }).search)).toEqual(["?litres=2", "?litres=3"]);
    for (const late of ["?litres=2", "?litres=3"]) {
      page.rerender(at(late));
      expect(screen.getByRole("status").textContent).toBe("litres=3");
    }
    page.rerender(at("?litres=2"));
    expect(screen.getByRole("status").textContent).toBe("litres=2");
  });
});

describe("what a hand holds", () => {
  function Hand({ settled, moved }: { settled: number; moved: (to: number) => void }) {
    const [{ at }, move] = useHand({ at: settled }, (to) => moved(to.at));
    return (
      <>
        <output>{at}</output>
        <button
          type="button"
          onPointerMove={() => move({ at: at + 1 }, true)}
          onClick={() => move({ at: at + 10 }, false)}
        >
          hand
        </button>
      </>
    );
  }

  it("moves at once while it drags, and the page follows when it rests", () => {
    const moved = vi.fn();
    const page = render(<Hand settled={5} moved={moved} />);
    fireEvent.pointerMove(screen.getByText("hand"));
    fireEvent.pointerMove(screen.getByText("hand"));
    expect(screen.getByRole("status").textContent).toBe("7");
    expect(moved).not.toHaveBeenCalled();
    act(() => void vi.advanceTimersByTime(100));
    expect(moved.mock.calls).toEqual([[7]]);
    page.rerender(<Hand settled={7} moved={moved} />);
    // Once the page says the same, it is the page's again.
    page.rerender(<Hand settled={2} moved={moved} />);
    expect(screen.getByRole("status").textContent).toBe("2");
  });

  it("moves the page at once by a key, and drops what was still on its way", () => {
    const moved = vi.fn();
    render(<Hand settled={5} moved={moved} />);
    fireEvent.pointerMove(screen.getByText("hand"));
    fireEvent.click(screen.getByText("hand"));
    act(() => void vi.advanceTimersByTime(100));
    expect(moved.mock.calls).toEqual([[16]]);
  });
});
