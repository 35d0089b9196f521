import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { ApiProblem, Offline } from "../api/client";
import { entry, flush, note, refused, waiting } from "./outbox";

const answers: (() => Response)[] = [];
const sent: string[] = [];

function json(status: number, body: unknown): Response {
  return new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
}

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal("localStorage", {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  });
  vi.stubGlobal("document", { cookie: "XSRF-TOKEN=t" });
  vi.stubGlobal("fetch", async (r: Request) => {
    sent.push(((await r.json()) as { step: string }).step);
    const next = answers.shift();
    if (!next) {
      throw new TypeError("no network");
    }
    return next();
  });
});

afterEach(() => {
  vi.unstubAllGlobals();
  answers.length = 0;
  sent.length = 0;
});

describe("what a lost signal, a lost session and a refusal do to entries", () => {
  it("keeps them all, in order, while the server cannot be reached", async () => {
    note("r", entry("h", "a", "step-done", []));
    note("r", entry("h", "b", "step-done", []));
    await expect(flush("r")).rejects.toBeInstanceOf(Offline);
    expect(waiting("r").map((e) => e.step)).toEqual(["a", "b"]);
    answers.push(
      () => json(200, { current: "b" }),
      () => json(200, { current: "c" }),
    );
    expect((await flush("r"))?.current).toBe("c");
    expect(waiting("r")).toEqual([]);
    expect(sent).toEqual(["a", "a", "b"]);
  });

  it("keeps them when the session is gone or the server is in trouble", async () => {
    note("r", entry("h", "a", "step-done", []));
    for (const status of [401, 403, 500]) {
      answers.push(() => json(status, { detail: "x" }));
      await expect(flush("r")).rejects.toThrow();
      expect(waiting("r")).toHaveLength(1);
    }
  });

  it("crosses off only what the server refuses, and throws its words", async () => {
    note("r", entry("h", "a", "step-done", []));
    answers.push(() => json(409, { detail: "Step 1 comes first." }));
    await expect(flush("r")).rejects.toThrow("Step 1 comes first.");
    expect(waiting("r")).toEqual([]);
    expect(refused(new ApiProblem(422, "x"))).toBe(true);
    expect(refused(new Offline())).toBe(false);
  });
});
