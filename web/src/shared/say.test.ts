import { readFileSync } from "node:fs";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { catalogue } from "../testing/catalogue";
import { fill, say, speak } from "./say";

const LANGUAGES = "../server/src/main/resources/languages";

const spanish = JSON.parse(readFileSync(`${LANGUAGES}/es.json`, "utf8")) as { texts: Record<string, string> };

/** The parts that a sentence takes, each once: {0}, and {1} of "{1, plural, …}". */
const parts = (sentence: string) => [...new Set([...sentence.matchAll(/\{(\d)/g)].map((m) => m[1]))].sort();

describe("the catalogue", () => {
  const all = catalogue();

  it("has every sentence of the interface once, under its id", () => {
    expect(Object.keys(all.sentences).length).toBeGreaterThan(900);
    expect(all.twice).toEqual([]);
    expect(all.unnamed).toEqual([]);
  });

  it("has the same sentences as the file that translators get", () => {
    expect(JSON.parse(readFileSync(`${LANGUAGES}/english/interface.json`, "utf8"))).toEqual(all.sentences);
  });

  it("is whole in Spanish, with no part lost", () => {
    const holes = Object.keys(all.sentences).filter((id) => spanish.texts[id] === undefined);
    expect(holes).toEqual([]);
    const lost = Object.entries(all.sentences).filter(
      ([id, e]) => `${parts(e)}` !== `${parts(spanish.texts[id])}`,
    );
    expect(lost).toEqual([]);
  });

  it("never counts one as several", () => {
    const several =
      /(?<!All |of )\{\d\} (approved )?(locks|steps|entries|fixes|stops|minutes|digits|sheets|procedures|errors|notes|places|parts|findings|pieces)\b/;
    expect(Object.entries(all.sentences).filter(([, e]) => several.test(e))).toEqual([]);
  });
});

describe("a sentence", () => {
  beforeEach(() => speak("es", { "a.locks": "{0, plural, one {# candado} other {# candados}} en {1}" }));
  afterEach(() => speak("en", {}));

  it("is said in the language of the page", () => {
    expect(say("a.locks", "{0, plural, one {# lock} other {# locks}} on {1}", 1, "D2")).toBe(
      "1 candado en D2",
    );
    expect(say("a.locks", "{0, plural, one {# lock} other {# locks}} on {1}", 3, "D2")).toBe(
      "3 candados en D2",
    );
  });

  it("is said in English where the language lacks it", () => {
    expect(say("a.other", "{0, plural, one {# lock} other {# locks}}", 1)).toBe("1 lock");
    expect(say("a.third", "Step {0}", 1200)).toBe("Step 1200");
  });

  it("can be filled later, and a part that is missing is left out", () => {
    expect(fill("Step {0} of {1}.", 2, null)).toBe("Step 2 of .");
  });

  it("is English where the language's sentence cannot be filled", () => {
    speak("es", { "a.open": "Paso {0", "a.more": "Paso {0} de {3}", "a.kinds": "{0, plural, one {uno}}" });
    expect(say("a.open", "Step {0}", 4)).toBe("Step 4");
    expect(say("a.more", "Step {0}", 4)).toBe("Step 4");
    expect(say("a.kinds", "{0, plural, one {# lock} other {# locks}}", 2)).toBe("2 locks");
  });

  it("shows temperatures as the site's thermometers do", () => {
    speak("en", {}, "°F");
    expect(say("a.warm", "At {0} to 50 °C.", 40)).toBe("At 104 to 122 °F.");
  });
});
