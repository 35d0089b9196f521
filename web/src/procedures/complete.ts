import { say } from "../shared/say";
/** What a typed line may go on with: verbs at its beginning, then names of the sheet, products, vessels. */
export type Vocabulary = { verbs: string[]; things: string[]; products: string[]; vessels: string[] };
export type Completion = { from: number; options: string[] };

const MOST = 6;
const NONE: Completion = { from: 0, options: [] };

/** Those that begin so; then those in which a later word begins so. */
function matching(pool: string[], typed: string): string[] {
  const t = typed.toLowerCase();
  const begins = pool.filter((n) => n.toLowerCase().startsWith(t));
  const inside = pool.filter((n) => !begins.includes(n) && n.toLowerCase().includes(` ${t}`));
  return [...new Set([...begins, ...inside])].filter((n) => n.toLowerCase() !== t).slice(0, MOST);
}

/** Completions from the end of what is typed; the place from which they replace it. */
export function completions(text: string, words: Vocabulary): Completion {
  if (text.trim() === "") {
    return NONE;
  }
  const lower = text.toLowerCase();
  const verb = words.verbs
    .filter((v) => lower.startsWith(`${v.toLowerCase()} `))
    .sort((a, b) => b.length - a.length)[0];
  if (verb === undefined) {
    return { from: 0, options: matching(words.verbs, text) };
  }
  const cut = Math.max(
    verb.length + 1,
    ...[", ", "; ", say("procedures.complete.with", " with "), say("procedures.complete.in", " in ")].map(
      (s) => {
        const at = lower.lastIndexOf(s);
        return at < 0 ? 0 : at + s.length;
      },
    ),
  );
  const before = lower.slice(0, cut);
  const typed = text.slice(cut);
  if (typed === "" || /^[\d"`-]/.test(typed)) {
    return NONE;
  }
  if (before.endsWith(" with ") || typed.toLowerCase().startsWith("with ")) {
    const from = typed.toLowerCase().startsWith("with ") ? cut + 5 : cut;
    return { from, options: text.slice(from) === "" ? [] : matching(words.products, text.slice(from)) };
  }
  if (before.endsWith(" in ")) {
    return { from: cut, options: matching(words.vessels, typed).map((v) => `"${v}"`) };
  }
  return { from: cut, options: matching(words.things, typed) };
}
