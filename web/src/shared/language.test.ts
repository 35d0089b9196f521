// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { message, Offline } from "../api/client";
import { remember } from "./kept";
import { begin, turnTo } from "./language";
import { say, speak, spoken } from "./say";

const SPANISH = {
  code: "es",
  name: "Español",
  texts: { "app.shell.board": "Tablero", "api.client.offline": "Sin servidor." },
};

const answer = (body: unknown, status = 200) =>
  Promise.resolve(
    new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } }),
  );

describe("the language of the page", () => {
  beforeEach(() => {
    localStorage.setItem("speaks", JSON.stringify({ language: "es", unit: "°F" }));
  });
  afterEach(() => {
    localStorage.clear();
    speak("en", {});
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });

  it("is known before anything is said, and so is the unit", async () => {
    vi.stubGlobal("fetch", () => answer(SPANISH));
    await begin();
    expect(say("app.shell.board", "Board")).toBe("Tablero");
    expect(say("a.b", "At 40 °C")).toBe("At 104 °F");
    expect(document.documentElement.lang).toBe("es");
    expect(message(new Offline())).toBe("Sin servidor.");
  });

  it("comes from this device where the server does not answer in time", async () => {
    await remember("language:es", SPANISH);
    vi.stubGlobal("fetch", () => new Promise(() => {}));
    await begin();
    expect(say("app.shell.board", "Board")).toBe("Tablero");
  });

  it("is English where the file cannot be had at all", async () => {
    vi.stubGlobal("fetch", () => answer({ detail: "There is no language." }, 404));
    await begin();
    expect(spoken()).toBe("en");
    expect(say("app.shell.board", "Board")).toBe("Board");
  });

  it("is not turned to one whose file cannot be had", async () => {
    vi.stubGlobal("fetch", () => answer({ detail: "There is no language." }, 404));
    await turnTo("xx", "°C");
    expect(JSON.parse(localStorage.getItem("speaks") ?? "{}")).toEqual({ language: "es", unit: "°F" });
  });

  it("is English where what was kept is no longer readable", async () => {
    localStorage.setItem("speaks", "{not json");
    await begin();
    expect(spoken()).toBe("en");
  });
});
