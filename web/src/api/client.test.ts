import { afterEach, describe, expect, it, vi } from "vitest";
import { ApiProblem, message, Offline, phraseBy, postNow, unwrap } from "./client";

const said = {
  id: "procedures.is-approved",
  english: "Version 3 is approved and cannot be changed.",
  args: [3],
};

const refused = (status: number, error: unknown) =>
  unwrap(Promise.resolve({ error, response: new Response(null, { status }) })).catch((e: unknown) => e);

afterEach(() => {
  phraseBy((text) => text.english);
  vi.unstubAllGlobals();
});

describe("an answer of the server", () => {
  it("is its data where it is one", async () => {
    const answer = { data: { steps: 4 }, response: new Response(null, { status: 200 }) };
    await expect(unwrap(Promise.resolve(answer))).resolves.toEqual({ steps: 4 });
  });

  it("is a problem with its fields where it is refused", async () => {
    const errors = [{ pointer: "/name", message: "It must not be empty." }];
    const e = await refused(422, { detail: "One field is wrong.", errors });
    expect(e).toBeInstanceOf(ApiProblem);
    expect(e).toMatchObject({ status: 422, message: "One field is wrong.", fields: errors });
  });

  it("is told by its number where it says nothing", async () => {
    expect(message(await refused(502, undefined))).toBe("The server answered with 502.");
  });
});

describe("what went wrong", () => {
  it("is said in English until a language is chosen", async () => {
    expect(message(await refused(409, { detail: "Version 3 is approved.", said }))).toBe(said.english);
    expect(message(new Offline())).toBe("The server cannot be reached. What you typed is still here.");
  });

  it("is said in the reader's language by its id and arguments", async () => {
    phraseBy((text) => `${text.id} ${text.args.join(",")}`);
    expect(message(await refused(409, { detail: "Version 3 is approved.", said }))).toBe(
      "procedures.is-approved 3",
    );
    expect(message(await refused(500, {}))).toBe("api.client.answered 500");
    expect(message(new Offline())).toBe("api.client.offline ");
    expect(message("nothing that anybody knows")).toBe("api.client.unknown ");
  });

  it("keeps the words of a server that sends no id", async () => {
    phraseBy(() => "other words");
    expect(message(await refused(409, { detail: "It is being cleaned." }))).toBe("It is being cleaned.");
    expect(message(new Error("plain"))).toBe("plain");
  });
});

describe("what is sent at once", () => {
  const signal = new AbortController().signal;

  it("comes back as data", async () => {
    vi.stubGlobal("document", { cookie: "XSRF-TOKEN=a%20b" });
    const fetched = vi.fn(() => Promise.resolve(new Response('{"stops":2}', { status: 200 })));
    vi.stubGlobal("fetch", fetched);
    await expect(postNow("/api/verify", { steps: [] }, signal)).resolves.toEqual({ stops: 2 });
    const [path, sent] = fetched.mock.calls[0] as unknown as [string, RequestInit];
    expect(path).toBe("/api/verify");
    expect((sent.headers as Record<string, string>)["X-XSRF-TOKEN"]).toBe("a b");
  });

  it("says that the server cannot be reached", async () => {
    vi.stubGlobal("document", { cookie: "" });
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("failed")));
    await expect(postNow("/api/verify", {}, signal)).rejects.toBeInstanceOf(Offline);
  });

  it("is no error of the network when it was called off", async () => {
    vi.stubGlobal("document", { cookie: "" });
    vi.stubGlobal("fetch", () => Promise.reject(new DOMException("off", "AbortError")));
    await expect(postNow("/api/verify", {}, signal)).rejects.toMatchObject({ name: "AbortError" });
  });

  it("is refused with what the server says", async () => {
    vi.stubGlobal("document", { cookie: "" });
    vi.stubGlobal("fetch", () =>
      Promise.resolve(new Response(JSON.stringify({ detail: "No.", said }), { status: 409 })),
    );
    const e = await postNow("/api/verify", {}, signal).catch((x: unknown) => x);
    expect(message(e)).toBe(said.english);
  });
});
