import { describe, expect, it } from "vitest";
import { stageOf } from "./Asks";
import { type Ask, EMPTY, type Pack, type State } from "./fold";

const ask = (kind: Ask["kind"], item = "mains"): Ask => ({
  id: `${kind.toLowerCase()}:${item}`,
  kind,
  item,
  name: item,
});

const PACK = {
  steps: [
    { id: "cut", asks: [ask("ISOLATE"), ask("UNPLUG", "cord")] },
    { id: "lock", asks: [ask("LOCK"), ask("TAG", "air")] },
    { id: "prove", asks: [ask("PROVE")] },
    { id: "live", asks: [ask("RESTORE")] },
  ],
} as unknown as Pack;

const after = (confirmed: State["confirmed"], locks: State["locks"] = []): State => ({
  ...EMPTY,
  confirmed,
  locks,
});

const LOCK = [{ energy: "mains", lock: "17", who: "Maren", at: 1 }];

describe("how far an energy is along its path", () => {
  it("is live until somebody has said otherwise", () => {
    expect(stageOf(PACK, EMPTY, "mains")).toBe("live");
    expect(stageOf(PACK, after({ cut: ["unplug:cord"] }), "mains")).toBe("live");
  });

  it("is cut off, locked, proved and live again, in this order", () => {
    expect(stageOf(PACK, after({ cut: ["isolate:mains"] }), "mains")).toBe("isolated");
    expect(stageOf(PACK, after({ cut: ["isolate:mains"] }, LOCK), "mains")).toBe("locked");
    const proved = { cut: ["isolate:mains"], prove: ["prove:mains"] };
    expect(stageOf(PACK, after(proved, LOCK), "mains")).toBe("proved");
    expect(stageOf(PACK, after({ ...proved, live: ["restore:mains"] }), "mains")).toBe("live");
  });

  it("takes a tag for a lock where no lock goes on, and a plug for a switch", () => {
    expect(stageOf(PACK, after({ lock: ["tag:air"] }), "air")).toBe("locked");
    expect(stageOf(PACK, after({ cut: ["unplug:cord"] }), "cord")).toBe("isolated");
  });

  it("is not cut off by a lock alone", () => {
    expect(stageOf(PACK, after({}, LOCK), "mains")).toBe("live");
  });
});
