import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ApiProblem, type CoreText, Offline } from "../api/client";
import { heard } from "../shared/kept";
import { words } from "../testing/words";
import { stepDone } from "./entries";
import { asSent, flush, note, waiting } from "./outbox";

type Body = { entries: { step: string; kind: string }[]; sentAt: number };

const answers: ((body: Body) => Response)[] = [];
const sent: Body[] = [];
let n = 0;
let round = "";

function json(status: number, body: unknown): Response {
  return new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
}

const takes =
  (fate = "TAKEN", why?: CoreText) =>
  (body: Body) =>
    json(200, { fates: body.entries.map(() => ({ id: "x", fate, why })), state: { id: round } });

beforeEach(() => {
  round = `r${n++}`;
  const kept = new Map<string, string>();
  vi.stubGlobal("localStorage", {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
  });
  vi.stubGlobal("document", { cookie: "XSRF-TOKEN=t" });
  vi.stubGlobal("fetch", async (r: Request) => {
    const body = (await r.json()) as Body;
    const next = answers.shift();
    if (!next) {
      throw new TypeError("no network");
    }
    sent.push(body);
    return next(body);
  });
});

afterEach(() => {
  answers.length = 0;
  sent.length = 0;
  vi.unstubAllGlobals();
});

/** Flushes and says what was told. */
async function flushed(who = "Maren") {
  const all = { ids: 0, told: [] as CoreText[], state: undefined as unknown };
  await flush(round, who, (ids, state, told) => {
    all.ids += ids.length;
    all.told.push(...told);
    all.state = state;
  });
  return all;
}

const write = (step: string, who = "Maren") => note({ round, who, sent: asSent("hash", stepDone(step)) });
const steps = async () => (await waiting(round)).map((w) => w.sent.step);

describe("the outbox of a tablet", () => {
  it("keeps everything in order without signal and sends it in one piece later", async () => {
    for (const s of ["a", "b", "c"]) {
      await write(s);
    }
    await expect(flushed()).rejects.toBeInstanceOf(Offline);
    expect(await steps()).toEqual(["a", "b", "c"]);
    answers.push(takes());
    expect((await flushed()).state).toEqual({ id: round });
    expect(sent[0].entries.map((e) => e.step)).toEqual(["a", "b", "c"]);
    expect(await steps()).toEqual([]);
  });

  it("keeps everything while signed out or while the server is in trouble", async () => {
    await write("a");
    for (const status of [401, 403, 500, 507]) {
      answers.push(() => json(status, { detail: "no" }));
      await expect(flushed()).rejects.toBeInstanceOf(ApiProblem);
      expect(await steps()).toEqual(["a"]);
    }
  });

  it("says what the server kept without counting, and does not send it again", async () => {
    await write("a");
    answers.push(takes("KEPT", words("Step 1 is already done.")));
    expect((await flushed()).told).toEqual([words("Step 1 is already done.")]);
    expect(await steps()).toEqual([]);
  });

  it("never sends what another person has entered on this tablet", async () => {
    await write("a", "Maren");
    await write("b", "Tobiah");
    answers.push(takes());
    await flushed("Tobiah");
    expect(sent[0].entries.map((e) => e.step)).toEqual(["b"]);
    expect(await steps()).toEqual(["a"]);
  });

  it("sends a long queue in pieces and each entry once, however often it is asked", async () => {
    for (let i = 0; i < 1100; i++) {
      await write(`s${i}`);
    }
    answers.push(takes(), takes(), takes());
    await Promise.all([flushed(), flushed(), flushed()]);
    expect(sent.flatMap((b) => b.entries).length).toBe(1100);
    expect(new Set(sent.flatMap((b) => b.entries.map((e) => e.step))).size).toBe(1100);
  });
});

describe("what was heard", () => {
  it("is said again without signal, and only then", async () => {
    const ask = vi.fn().mockResolvedValueOnce({ name: "Maren" }).mockRejectedValue(new Offline());
    expect(await heard(`k${n}`, ask)).toEqual({ name: "Maren" });
    expect(await heard(`k${n}`, ask)).toEqual({ name: "Maren" });
    await expect(heard(`other${n}`, ask)).rejects.toBeInstanceOf(Offline);
    const refused = () => Promise.reject(new ApiProblem(403, "not yours"));
    await expect(heard(`k${n}`, refused)).rejects.toThrow("not yours");
  });
});
