import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";

/*
 * What a person reads is said as the trade says it. These are the words that were there before; none of them may
 * come back into a sentence. Former verbs that the notation still reads, and the reader of old texts, know them.
 */
const FORMER =
  /\b(draw(n|s)? off|let off|mend(s|ed)?|proved? dead|shown (the|this) work|bring in a|how deep|works here|where the machines stand|nothing is known|holds? (it|each) back|locks on now|ready after|of it heated|leaves behind|what was done about|touches food|next to food|in the can\b|renew by|torch(es)?|hood washer|flight washer|drop test|otherwise than|whoever|centre|colour|litre|metre|grey|mould|enrols?)\b/i;
const KNOWS = /Action\.java|Words\.java|OldText|UnitText|ActionTable|\.test\./;
/** Names of classes, and code between two tags. */
const CODE = /^(btn|diff) |[(){};=\\]/;
const ID = /^[\w./#-]*$/;

function files(folder: string, kind: RegExp): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path, kind) : kind.test(name) ? [path] : [];
  });
}

/** Texts in quotes, between tags, and on lines of their own in a page. */
function texts(path: string): string[] {
  const code = readFileSync(path, "utf8")
    .replace(/\/\*[\s\S]*?\*\//g, "")
    .replace(/^\s*(\/\/|import ).*$/gm, "");
  const quoted = [...code.matchAll(/"((?:[^"\\\n]|\\.)*)"/g), ...code.matchAll(/`([^`$]*)`/g)].map(
    (m) => m[1],
  );
  const shown = path.endsWith("x") ? [...code.matchAll(/>\s*([^<>{}="]+?)\s*[<{]/g)].map((m) => m[1]) : [];
  return [...quoted, ...shown].filter((t) => (t.includes(" ") || !ID.test(t)) && !CODE.test(t));
}

describe("the words of the trade", () => {
  it.each([
    ["the interface", "src", /\.tsx?$/],
    ["the core", "../core/src/main/java", /\.java$/],
    ["the server", "../server/src/main/java", /\.java$/],
    ["the command line", "../cli/src/main/java", /\.java$/],
  ])("are those of today in %s", (_, folder, kind) => {
    const left = files(folder, kind)
      .filter((f) => !KNOWS.test(f))
      .flatMap((f) => texts(f).flatMap((t) => (FORMER.test(t) ? [`${f}: ${t.slice(0, 90)}`] : [])));
    expect(left).toEqual([]);
  });
});
