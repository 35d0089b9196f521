import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { EMPTY, fold, type Made, OutOfDomain, type Pack, Refusal, type State, settled } from "./fold";

type Played = { written: Made; at: number; who: string; refused?: string; state?: State };

/** Made by the core; its own test fails when it would answer otherwise. */
const { rounds }: { rounds: { pack: Pack; entries: Played[] }[] } = JSON.parse(
  readFileSync("../demo/vectors/rounds.json", "utf8"),
);

/** The core's files leave out what is empty; the server's answers do not. */
function whole(pack: Pack): Pack {
  return {
    ...pack,
    steps: pack.steps.map((s) => ({
      ...s,
      off: s.off ?? [],
      on: s.on ?? [],
      checks: s.checks ?? [],
      asks: s.asks ?? [],
      things: s.things ?? [],
      where: s.where ?? [],
      hands: s.hands ?? false,
    })),
    instruments: pack.instruments.map((i) => ({ ...i, steps: i.steps ?? [] })),
    troubles: pack.troubles.map((t) => ({ ...t, redo: t.redo ?? [] })),
    rework: pack.rework.map((r) => ({
      ...r,
      since: r.since.map((s) => ({ ...s, steps: s.steps ?? [], parts: s.parts ?? [] })),
    })),
  };
}

/** What the core says of a moment, with nothing left out and in one order. */
function comparable(state: State) {
  const lists = (r: Record<string, string[]> | undefined) =>
    Object.fromEntries(
      Object.entries(r ?? {})
        .map(([k, v]) => [k, [...v].sort()] as const)
        .filter(([, v]) => v.length > 0),
    );
  return {
    current: state.current,
    done: [...(state.done ?? [])].sort(),
    off: [...(state.off ?? [])].sort(),
    timers: state.timers ?? {},
    outcomes: Object.entries(state.readings ?? {}).map(([k, v]) => [k, v.outcome, v.corrected ?? false]),
    checks: state.checks ?? {},
    confirmed: lists(state.confirmed),
    locks: state.locks ?? [],
    troubles: (state.troubles ?? []).length,
    redo: Object.keys(lists(state.redo)).sort(),
    deviated: [...(state.deviated ?? [])].sort(),
    status: state.status,
  };
}

const AFTERWARDS = ["proof", "released", "sent-back"];

describe.each(rounds.map((r) => [r.pack.title, r] as const))("the round %s as the core folds it", (_, r) => {
  it("takes and refuses the same entries and comes to the same states", () => {
    const pack = whole(r.pack);
    let state = EMPTY;
    let compared = 0;
    for (const [i, p] of r.entries.entries()) {
      if (AFTERWARDS.includes(p.written.kind)) {
        break; // a release is signed, so it is never made without the server
      }
      let refused: string | undefined;
      const entry = { ...p.written, figures: p.written.figures ?? [] };
      try {
        state = fold(pack, state, entry, p.at, p.who);
      } catch (e) {
        if (e instanceof Refusal) {
          refused = e.why;
        } else if (!(e instanceof OutOfDomain)) {
          throw e;
        }
      }
      expect(refused, `entry ${i}: ${JSON.stringify(p.written)}`).toBe(p.refused);
      if (p.state) {
        compared++;
        expect(comparable(settled(pack, state)), `after entry ${i}`).toEqual(comparable(p.state));
      }
    }
    expect(compared).toBeGreaterThan(5);
  });
});

describe("a refusal", () => {
  it("changes nothing and says with what", () => {
    const pack = whole(rounds[0].pack);
    const before = JSON.stringify(EMPTY);
    expect(() => fold(pack, EMPTY, { kind: "step-done", step: "nowhere", figures: [] }, 1, "Maren")).toThrow(
      Refusal,
    );
    expect(JSON.stringify(EMPTY)).toBe(before);
  });
});
