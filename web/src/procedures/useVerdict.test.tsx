import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import type { Doc } from "../ribbon/draft";
import { useVerdict, withEarlierRemedies } from "./useVerdict";

type Verdict = Schemas["VerdictDocument"];
type Asked = {
  remedies: boolean;
  title: string;
  dropped: () => boolean;
  answer: (v: unknown, status?: number) => void;
};

let asked: Asked[] = [];

const doc = (title: string) => ({ title, steps: [] }) as unknown as Doc;
const REMEDY = { label: "Dry before it is put together", edits: [] };
const found = (remedies: object[] = []) => ({ rule: "C1", stepId: "s3", message: "Still wet.", remedies });
const verdict = (stops: number, findings: object[] = []) => ({ stops, findings }) as unknown as Verdict;

beforeEach(() => {
  asked = [];
  vi.stubGlobal("fetch", (path: string, init: RequestInit) => {
    return new Promise((resolve) => {
      asked.push({
        remedies: path.includes("remedies=true"),
        title: JSON.parse(String(init.body)).title,
        dropped: () => init.signal?.aborted ?? false,
        answer: (v, status = 200) => resolve(new Response(JSON.stringify(v), { status })),
      });
    });
  });
});

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const written = (title: string) =>
  renderHook(({ now }: { now: Doc }) => useVerdict(now, 0), { initialProps: { now: doc(title) } });

describe("the verdict on what is written now", () => {
  it("is asked for at once, without remedies, and is busy until it is there", async () => {
    const { result } = written("one");
    expect(asked.map((a) => a.remedies)).toEqual([false]);
    expect(result.current.busy).toBe(true);
    await act(async () => asked[0].answer(verdict(2)));
    await waitFor(() => expect(result.current.busy).toBe(false));
    expect(result.current.verdict?.stops).toBe(2);
    expect(result.current.proven).toBe(false);
  });

  it("is the latest: an earlier answer that comes late changes nothing", async () => {
    const { result, rerender } = written("one");
    rerender({ now: doc("two") });
    expect(asked[0].dropped()).toBe(true);
    await act(async () => asked[1].answer(verdict(0)));
    await waitFor(() => expect(result.current.verdict?.stops).toBe(0));
    await act(async () => asked[0].answer(verdict(7)));
    expect(result.current.verdict?.stops).toBe(0);
  });

  it("is sent before anything is drawn, and not a second time by the drawing", async () => {
    const { result, rerender } = written("one");
    const next = doc("two");
    act(() => result.current.begin(next));
    expect(asked.map((a) => a.title)).toEqual(["one", "two"]);
    rerender({ now: next });
    expect(asked).toHaveLength(2);
  });

  it("has proven remedies only once they were tried on this very state", async () => {
    const { result, rerender } = written("one");
    await act(async () => asked[0].answer(verdict(1, [found()])));
    await waitFor(() => expect(asked.map((a) => a.remedies)).toEqual([false, true]));
    expect(result.current.proven).toBe(false);
    await act(async () => asked[1].answer(verdict(1, [found([REMEDY])])));
    await waitFor(() => expect(result.current.proven).toBe(true));
    rerender({ now: doc("two") });
    expect(result.current.proven).toBe(false);
  });

  it("names the fields of what cannot be judged and keeps the verdict before it", async () => {
    const { result, rerender } = written("one");
    await act(async () => asked[0].answer(verdict(1)));
    rerender({ now: doc("two") });
    const errors = [{ pointer: "/steps/0/chemical", message: "There is no chemical x on this site." }];
    await act(async () => asked.at(-1)?.answer({ detail: "One field is wrong.", errors }, 422));
    await waitFor(() => expect(result.current.problems).toEqual(errors));
    expect(result.current.verdict?.stops).toBe(1);
    expect(result.current.busy).toBe(false);
  });

  it("keeps each part that is the same, so that only what changed is drawn", async () => {
    const { result, rerender } = written("one");
    await act(async () => asked[0].answer(verdict(1, [found([REMEDY])])));
    await waitFor(() => expect(result.current.verdict).not.toBeNull());
    const before = result.current.verdict?.findings;
    rerender({ now: doc("two") });
    await act(async () => asked.at(-1)?.answer(verdict(2, [found([REMEDY])])));
    await waitFor(() => expect(result.current.verdict?.stops).toBe(2));
    expect(result.current.verdict?.findings).toBe(before);
  });
});

describe("remedies of a moment ago", () => {
  it("stay with a finding that is still there and go with one that is another", () => {
    const before = verdict(2, [found([REMEDY])]);
    expect(withEarlierRemedies(verdict(2, [found()]), before).findings[0].remedies).toEqual([REMEDY]);
    const other = { ...found(), stepId: "s4" };
    expect(withEarlierRemedies(verdict(2, [other]), before).findings[0].remedies).toEqual([]);
  });
});
