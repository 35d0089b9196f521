import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import {
  type Actor,
  atStep,
  judge,
  type Made,
  next,
  onTop,
  type Pack,
  running,
  type State,
  start,
} from "./core";

/*
 * What was compiled says what the core says: entries, refusals and whole states of rounds, and readings. The
 * files are made by the core, whose own tests fail when it would answer otherwise.
 */

type Played = { written: Made; at: number; actor: Actor; refused?: string; state?: State };
type Reading = { instrument: string; strength: number; temperature: number; outcome: string };

const file = (name: string) => JSON.parse(readFileSync(`../demo/vectors/${name}.json`, "utf8"));
const { rounds }: { rounds: { pack: Pack; entries: Played[] }[] } = file("rounds");
for (const p of rounds.flatMap((r) => r.entries)) {
  // Empty words are left out as well.
  const figures = (p.written.figures ?? []).map((f) => (f.value === undefined ? { text: "", ...f } : f));
  p.written = { ...p.written, figures };
}
const readings: { bands: object[]; instruments: { id: string }[]; vectors: Reading[] } = file("readings");

/** The files leave out what is empty. */
function lean(value: unknown): unknown {
  if (Array.isArray(value)) {
    return value.map(lean);
  }
  if (value === null || typeof value !== "object") {
    return value;
  }
  const kept = Object.entries(value)
    .map(([k, v]) => [k, lean(v)] as const)
    .filter(([, v]) => v !== "" && !(v && typeof v === "object" && Object.keys(v).length === 0));
  return Object.fromEntries(kept);
}

describe.each(rounds.map((r) => [r.pack.title, r] as const))("the round %s as the core folds it", (_, r) => {
  it("takes and refuses the same entries and comes to the same states", () => {
    let state = start(r.pack);
    let compared = 0;
    for (const [i, p] of r.entries.entries()) {
      const answer = next(r.pack, state, p.written, p.at, p.actor);
      expect(answer.refused?.id, `entry ${i}: ${JSON.stringify(p.written)}`).toBe(p.refused);
      state = answer.state ?? state;
      if (p.state) {
        compared++;
        expect(lean(state), `after entry ${i}`).toEqual(lean(p.state));
      }
    }
    expect(compared).toBeGreaterThan(12);
  });

  it("comes to the same when what waited is taken in one go", () => {
    const [before, after] = [r.entries.slice(0, 100), r.entries.slice(100, 200)];
    let one = start(r.pack);
    for (const p of before) {
      one = next(r.pack, one, p.written, p.at, p.actor).state ?? one;
    }
    const go = onTop(
      r.pack,
      one,
      after.map((p) => ({ entry: p.written, at: p.at, actor: p.actor })),
    );
    for (const p of after) {
      one = next(r.pack, one, p.written, p.at, p.actor).state ?? one;
    }
    // Somebody whose entry did not fit was at work all the same.
    expect({ ...go, workers: [] }).toEqual({ ...one, workers: [] });
  });
});

it("says which readings are in, out, too close to call or not on the instrument", () => {
  const pack = {
    machine: "A1",
    steps: [{ id: "s", number: 1, verb: "Sanitize", reading: { chemical: "H", bands: readings.bands } }],
    instruments: readings.instruments,
  } as unknown as Pack;
  for (const v of readings.vectors) {
    const said = judge(pack, "s", v.instrument, v.strength, v.temperature);
    expect(said.outcome ?? "REFUSED", JSON.stringify(v)).toBe(v.outcome);
  }
  expect(new Set(readings.vectors.map((v) => v.outcome)).size).toBe(4);
});

it("takes a state that an older page kept in seconds for what it was", () => {
  const { pack } = rounds[2];
  const soak = pack.steps.find((s) => s.timer && !s.timer.contact)?.id ?? "";
  const since = (at: number): State => ({ ...start(pack), timers: { [soak]: at } });
  const now = running(pack, since(1_800_000_000_000));
  expect(now.length).toBe(1);
  expect(running(pack, since(1_800_000_000))).toEqual(now);
});

it("changes nothing by a refusal, and says with what", () => {
  const { pack } = rounds[0];
  const before = start(pack);
  const kept = JSON.stringify(before);
  const done = { kind: "step-done", step: "nowhere", figures: [] };
  expect(next(pack, before, done, 1, { name: "Maren" })).toEqual({
    refused: { id: "refusal.no-step", english: "This round has no such step.", args: ["nowhere"] },
  });
  expect(next(pack, before, { ...done, kind: "dance" }, 1, { name: "Maren" }).refused?.english).toMatch(
    /no entry of kind/,
  );
  expect(JSON.stringify(before)).toBe(kept);
});

it("says what is before somebody at a step", () => {
  const { pack } = rounds[1];
  const lock = pack.steps.find((s) => s.asks?.some((a) => a.kind === "LOCK"));
  const now = atStep(pack, start(pack), lock?.id ?? "", 1, { name: "Maren" });
  expect(now).toMatchObject({ holds: [], ready: false, in: true, missingLocks: [] });
  expect(Object.values(now.energies)).toContain("LIVE");
});
