import { IntlMessageFormat } from "intl-messageformat";
import { type Degrees, textIn } from "./temperature";
import { type Volumes, volumesIn } from "./volume";

/*
 * What the interface says. Each sentence stands where it is used, in English, with an id; a language is a
 * file that has the sentence of each id. What a file lacks is shown in English rather than not at all.
 * The language is known before the first module that says something is loaded, so that
 * lists of choices can stand at the top of a module; another language loads the page anew.
 */

/** A number, a name, a figure with its unit. */
export type Part = string | number | null | undefined;

/** Sentences by their ids, and the texts of sheets and procedures by their English. */
export type Texts = Readonly<Record<string, string>>;

/** By document, what it says of an English that another says otherwise. */
export type Own = Readonly<Record<string, Texts>>;

let language = "en";
let texts: Texts = {};
let own: Own = {};
let read = "";
const views = new Map<string, Texts>();
let unit: Degrees = "°C";
let liquid: Volumes = "L";
const patterns = new Map<string, IntlMessageFormat>();

/** What the page speaks; called once, before anything is said. */
export function speak(
  to: string,
  file: Texts,
  degrees: Degrees = "°C",
  volumes: Volumes = "L",
  ofDocuments: Own = {},
) {
  if (to !== language || file !== texts) {
    patterns.clear();
  }
  views.clear();
  own = ofDocuments;
  language = to;
  texts = file;
  unit = degrees;
  liquid = volumes;
}

export const spoken = () => language;
/** What the documents say that are read now. */
export const textsOf = () => views.get(read) ?? texts;

/** From here on the page shows these documents: where two say one English otherwise, theirs counts. */
export function reading(documents: string[]) {
  const theirs = documents.filter((d) => own[d]);
  read = theirs.join("\n");
  if (theirs.length > 0 && !views.has(read)) {
    views.set(read, Object.assign({}, texts, ...theirs.map((d) => own[d])));
  }
}
export const degrees = () => unit;
export const volumes = () => liquid;

/** A text with the units that are shown here. */
export const inUnits = (text: string, english: string) => volumesIn(liquid, textIn(unit, text, english));

/** A sentence in the reader's language. {0} is the first part; ICU's plural and select are understood. */
export function say(id: string, english: string, ...parts: Part[]): string {
  const inEnglish = filled(`en ${english}`, english, "en", parts) ?? english;
  return inUnits(inLanguage(id, parts) ?? inEnglish, inEnglish);
}

/** A sentence of this id in the reader's language, or undefined where the file has none that can be filled. */
export function inLanguage(id: string, parts: Part[]): string | undefined {
  const sentence = texts[id];
  return sentence === undefined ? undefined : filled(id, sentence, language, parts);
}

/** A sentence said before, with its parts put in. */
export const fill = (sentence: string, ...parts: Part[]): string =>
  filled(sentence, sentence, language, parts) ?? sentence;

/**
 * Puts the parts into a sentence; one that is given none is left as it is, to be filled later. Undefined
 * where it cannot be: a brace is left open, or it asks for a part that there is not. A language file is
 * written by people, and a slip in it takes no screen away.
 */
function filled(key: string, sentence: string, locale: string, parts: Part[]): string | undefined {
  if (parts.length === 0) {
    return sentence;
  }
  try {
    let pattern = patterns.get(key);
    if (!pattern) {
      pattern = new IntlMessageFormat(sentence, locale, undefined, { ignoreTag: true });
      patterns.set(key, pattern);
    }
    // A number stands as it is written elsewhere: with a point, without groups.
    const given = Object.fromEntries(
      parts.map((p, n) => [n, typeof p === "number" && !sentence.includes(`{${n},`) ? String(p) : (p ?? "")]),
    );
    return String(pattern.format(given));
  } catch {
    return undefined;
  }
}
