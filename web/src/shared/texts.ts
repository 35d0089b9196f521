import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, type CoreText, unwrap } from "../api/client";
import { heard } from "./kept";
import { keys } from "./keys";
import { inLanguage, inUnits, reading, say, spoken, type Texts, textsOf } from "./say";

/*
 * The texts of sheets and procedures in the reader's language. What a language lacks is shown in English
 * rather than not at all.
 */

const LOWER = (text: string) => text.replace(/^./, (c) => c.toLowerCase());
const UPPER = (text: string) => text.replace(/^./, (c) => c.toUpperCase());

/** What the core put together of a sentence with places: "{0} soaking, {1}". */
type Kept = { english: RegExp[]; said: string; literal: number };

type Asked = { patterns: Kept[]; answers: Map<string, string | undefined> };

const FIGURE = /^[\d.,]+ (mg\/L|mL|min|cm|mm|kg|kPa)$/;
const PLACE = /\{(\d)\}/g;

/** Short words join anything; only a longer pattern is believed where its parts are unknown. */
const TELLING = 12;

const asked = new WeakMap<Texts, Asked>();

function kept([english, said]: [string, string]): Kept {
  const exactly = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
  const pattern = (place: string) =>
    english
      .split(/(\{\d\})/)
      .map((piece) => (/^\{\d\}$/.test(piece) ? `(?<p${piece[1]}>${place})` : exactly(piece)))
      .join("");
  // Each place as short and as long as it can be.
  return {
    english: [".+?", ".+"].map((p) => new RegExp(`^${pattern(p)}$`)),
    said,
    literal: english.replace(PLACE, "").length,
  };
}

function of(texts: Texts): Asked {
  let has = asked.get(texts);
  if (!has) {
    const patterns = Object.entries(texts)
      .filter(([english]) => english.includes("{0}"))
      .map(kept)
      .sort((a, b) => b.literal - a.literal);
    has = { patterns, answers: new Map() };
    asked.set(texts, has);
  }
  return has;
}

/**
 * What was kept in English, in the language of the file: whole; else by the pattern that it was put
 * together by, or name by name. What is not known stays as it is. The server does the same for prints.
 */
export function translate(texts: Texts, english: string): string {
  return known(texts, english) ?? english;
}

function known(texts: Texts, english: string): string | undefined {
  // The pieces of a long list come again and again.
  const { answers } = of(texts);
  if (!answers.has(english)) {
    answers.set(english, found(texts, english));
  }
  return answers.get(english);
}

function found(texts: Texts, english: string): string | undefined {
  const whole = texts[english] ?? (texts[UPPER(english)] && LOWER(texts[UPPER(english)]));
  if (whole !== undefined) {
    return whole;
  }
  const lower = texts[LOWER(english)];
  if (lower !== undefined) {
    return UPPER(lower);
  }
  // A code, a letter, a figure with its unit.
  if (!/\p{Ll}.*\p{Ll}/u.test(english) || FIGURE.test(english)) {
    return english;
  }
  const numbered = /^(.*\D) (\d+)$/.exec(english);
  const name = numbered && known(texts, numbered[1]);
  if (numbered && name) {
    return `${name} ${numbered[2]}`;
  }
  for (const pattern of of(texts).patterns) {
    for (const parts of pattern.english) {
      const said = filled(texts, pattern, parts.exec(english)?.groups);
      if (said !== undefined) {
        return said;
      }
    }
  }
  return list(texts, english);
}

function filled(texts: Texts, pattern: Kept, parts: Record<string, string> | undefined): string | undefined {
  if (!parts) {
    return undefined;
  }
  const said = new Map<string, string>();
  for (const [place, part] of Object.entries(parts)) {
    const text = known(texts, part);
    if (text === undefined && pattern.literal < TELLING) {
      return undefined;
    }
    said.set(place, text ?? part);
  }
  return pattern.said.replace(PLACE, (_, n) => said.get(`p${n}`) ?? "");
}

/** Names joined by commas, the last by "and"; a name may have a comma of its own. */
function list(texts: Texts, english: string): string | undefined {
  for (const joint of ["; ", ", "]) {
    for (let at = english.indexOf(joint); at > 0; at = english.indexOf(joint, at + 1)) {
      const first = known(texts, english.slice(0, at));
      const others = first && known(texts, english.slice(at + joint.length));
      if (first && others) {
        return `${first}${texts[joint] ?? joint}${others}`;
      }
    }
  }
  return undefined;
}

/** A text of a sheet or a procedure, or a piece of a sentence, in the reader's language and the site's unit. */
export const told = (text: string | CoreText): string => piece(text);

/** A screen that shows these documents; before it says anything, and until another one does. */
export function useReading(...documents: (string | undefined)[]) {
  const key = documents.filter((d) => d !== undefined).join("\n");
  reading(key.split("\n"));
  useEffect(() => {
    // The screen that was left has just taken its own back.
    reading(key.split("\n"));
    return () => reading([]);
  }, [key]);
}

/** What is done and to what, as the plan of a night names a task: "Wash: blade, scraper". */
export const toldTask = (name: string | CoreText): string => told(name).replace(": ", " ");

export function useLanguages() {
  return useQuery({
    queryKey: keys.languages(),
    queryFn: () => heard("languages", () => unwrap(api.GET("/api/languages"))),
  });
}

/** As a piece of a sentence; one without an id, as a page of before has kept it, is a name or a figure. */
export function piece(text: string | CoreText): string {
  if (typeof text === "string" || text.id === "") {
    const english = typeof text === "string" ? text : text.english;
    return inUnits(translate(textsOf(), english), english);
  }
  return inUnits(inLanguage(text.id, text.args.map(part)) ?? text.english, text.english);
}

/** As a sentence of its own. */
export const sentence = (text: string | CoreText): string => UPPER(piece(text));

/** One after the other, with "and" before the last. */
export const listed = (all: string[]): string =>
  new Intl.ListFormat(spoken(), { type: "conjunction" }).format(all);

/** What goes into a sentence: a name, a figure, another sentence, or a list of them. */
export function part(arg: unknown): string | number {
  if (Array.isArray(arg)) {
    return listed(arg.map((a) => String(part(a))));
  }
  if (typeof arg === "object" && arg !== null) {
    return piece(arg as CoreText);
  }
  return typeof arg === "number" ? arg : translate(textsOf(), String(arg));
}

/** What the client itself says; it stands below all screens, so its sentences are named here. */
export const OF_THE_CLIENT = [
  say("api.client.offline", "The server cannot be reached. What you typed is still here."),
  say("api.client.answered", "The server answered with {0}."),
  say("api.client.unknown", "Something went wrong."),
];

/** How a round stands between the first step and production. */
export const STATUS: Record<string, string> = {
  OPEN: say("status.open", "being cleaned"),
  WAITING: say("status.waiting", "waits for its release"),
  RELEASED: say("status.released", "released"),
  CONDITIONAL: say("status.conditional", "released for a time"),
};
