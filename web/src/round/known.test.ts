import { expect, it } from "vitest";
import type { Waiting } from "../shared/kept";
import { answered, crossedOff, knownAtFirst, noted, restored, sentElsewhere, written } from "./known";
import type { RoundState } from "./outbox";

const state = (entries: number, now = 50_000) => ({ entries, now }) as RoundState;
const entry = (id: string) => ({ round: "r", who: "Maren", sent: { id } }) as Waiting;
const ids = (k: { queue: Waiting[] }) => k.queue.map((w) => w.sent.id);

it("is not taken back by an answer that was overtaken on its way", () => {
  const now = answered(knownAtFirst(state(3), 0), state(5, 60_000), 1_000);
  expect(answered(now, state(4, 59_000), 2_000)).toBe(now);
  expect(now.skew).toBe(59_000);
});

it("takes an answer of as many entries: nothing was entered, the clock went on", () => {
  expect(answered(knownAtFirst(state(3), 0), state(3, 70_000), 10_000).skew).toBe(60_000);
});

it("puts what the store held before what was written since, each once", () => {
  const k = written(written(knownAtFirst(state(0), 0), entry("b")), entry("c"));
  expect(ids(restored(k, [entry("a"), entry("b")]))).toEqual(["a", "b", "c"]);
});

it("brings nothing back that the server has, however late the store answers", () => {
  const k = crossedOff(written(knownAtFirst(state(0), 0), entry("a")), ["a"]);
  expect(ids(restored(k, [entry("a")]))).toEqual([]);
});

it("crosses off what another tab of this device has sent, and nothing that is still on its way into the store", () => {
  const k = noted(written(written(knownAtFirst(state(0), 0), entry("a")), entry("b")), "a");
  expect(ids(sentElsewhere(k, k.noted, []))).toEqual(["b"]);
  expect(ids(sentElsewhere(k, k.noted, [entry("a")]))).toEqual(["a", "b"]);
});

it("keeps what was written while the store answered", () => {
  const before = knownAtFirst(state(0), 0);
  const k = noted(written(before, entry("a")), "a");
  expect(ids(sentElsewhere(k, before.noted, []))).toEqual(["a"]);
});
