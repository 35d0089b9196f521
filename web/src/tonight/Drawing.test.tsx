import { fireEvent, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { show } from "../testing/page";
import { Drawing } from "./Drawing";
import { blocksOf, type Held, type Night } from "./night";

const FROM = Date.parse("2026-11-30T21:00:00Z");
const NIGHT = {
  from: FROM,
  now: FROM,
  minutes: 480,
  people: [
    { id: "2", name: "Maren Oyelaran" },
    { id: "3", name: "Tobiah Renn" },
  ],
  places: [],
  tasks: [
    {
      id: "a/1",
      name: "Remove: blade",
      group: "a",
      usual: { nights: 12, median: 21, low: 18.2, high: 24.7 },
    },
    { id: "b/1", name: "Wash: piston", group: "b" },
  ],
  cleans: [
    { procedure: "a", machine: "QK-SL1", wanted: 480 },
    { procedure: "b", machine: "QK-FL1", wanted: 480 },
  ],
  done: [{ id: "a/0", name: "Unplug", group: "a", from: 0, to: 10, hands: true, people: ["2"] }],
  plan: {
    tasks: [
      { id: "a/1", people: ["2"], place: null, from: 20, to: 60, hands: true },
      { id: "b/1", people: ["3"], place: null, from: 0, to: 60, hands: true },
    ],
    breaks: [],
    water: [],
    critical: [],
    unplaced: [],
  },
} as unknown as Night;

/** Minutes from the top of the drawing; a person's lane begins behind the axis. */
const MINUTE = 1.75;
const TOP = 34;

function drawing(loose: boolean) {
  const onHold = vi.fn<(held: Held | null) => void>();
  const onLetGo = vi.fn<(held: Held) => void>();
  const blocks = blocksOf(NIGHT);
  Element.prototype.setPointerCapture = () => undefined;
  show(
    <Drawing
      night={NIGHT}
      blocks={blocks}
      all={blocks}
      at={(m) => String(m)}
      held={null}
      onHold={loose ? onHold : undefined}
      onLetGo={onLetGo}
    />,
  );
  const work = [...document.querySelectorAll(".night-work")];
  const of = (words: string) => work.find((w) => w.textContent?.includes(words)) as Element;
  const lane = (name: string) => {
    const path = [...document.querySelectorAll(".night-lane.person")].find((l) =>
      l.textContent?.includes(name),
    );
    return Number(/M([\d.]+)/.exec(path?.querySelector("path")?.getAttribute("d") ?? "")?.[1]) + 20;
  };
  return { onHold, onLetGo, of, lane };
}

const point = (minute: number, clientX: number) => ({
  clientX,
  clientY: TOP + minute * MINUTE,
  button: 0,
  pointerId: 1,
});

describe("a task taken by the hand", () => {
  it("goes to the lane and the five minutes that it is over", async () => {
    const { onHold, onLetGo, of, lane } = drawing(true);
    await screen.findByRole("img");
    const block = of("Remove blade");
    fireEvent.pointerDown(block, point(30, lane("Maren")));
    fireEvent.pointerMove(block, point(101, lane("Tobiah")));
    // It was held ten minutes below its beginning.
    expect(onHold).toHaveBeenLastCalledWith({ task: "a/1", person: "3", minute: 90 });
    fireEvent.pointerUp(block, point(101, lane("Tobiah")));
    expect(onLetGo).toHaveBeenCalledWith({ task: "a/1", person: "3", minute: 90 });
  });

  it("is not moved by a press alone, and never out of the night", async () => {
    const { onHold, onLetGo, of, lane } = drawing(true);
    await screen.findByRole("img");
    const block = of("Remove blade");
    fireEvent.pointerDown(block, point(30, lane("Maren")));
    fireEvent.pointerUp(block, point(30, lane("Maren")));
    expect(onLetGo).not.toHaveBeenCalled();
    expect(onHold).toHaveBeenLastCalledWith(null);
    fireEvent.pointerDown(block, point(30, lane("Maren")));
    fireEvent.pointerMove(block, point(-400, lane("Maren")));
    expect(onHold).toHaveBeenLastCalledWith({ task: "a/1", person: "2", minute: 0 });
    fireEvent.pointerMove(block, point(900, lane("Maren")));
    expect(onHold).toHaveBeenLastCalledWith({ task: "a/1", person: "2", minute: 480 });
  });

  it("stays where it is when it is over, or nobody may plan", async () => {
    const first = drawing(true);
    await screen.findByRole("img");
    fireEvent.pointerDown(first.of("Unplug"), point(5, first.lane("Maren")));
    fireEvent.pointerMove(first.of("Unplug"), point(60, first.lane("Maren")));
    expect(first.onHold).not.toHaveBeenCalled();
    document.body.innerHTML = "";
    const second = drawing(false);
    await screen.findByRole("img");
    fireEvent.pointerDown(second.of("Remove blade"), point(30, second.lane("Maren")));
    fireEvent.pointerMove(second.of("Remove blade"), point(60, second.lane("Maren")));
    expect(second.onHold).not.toHaveBeenCalled();
    expect(document.querySelectorAll(".night-work.loose").length).toBe(0);
  });

  it("says how long it usually takes", async () => {
    const { of } = drawing(false);
    await screen.findByRole("img");
    expect(of("Remove blade").querySelector("title")?.textContent).toBe(
      "QK-SL1 Remove blade; usually 18 to 25 min, by 12 rounds",
    );
    expect(of("Wash piston").querySelector("title")?.textContent).toBe("QK-FL1 Wash piston");
  });
});
