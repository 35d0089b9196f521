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

/**
 * A text of a document or a word of the program, whole, in the language of the file; what is not known stays
 * as it is. The server does the same for prints.
 */
export function translate(texts: Texts, english: string): string {
  const upper = texts[UPPER(english)];
  const lower = texts[LOWER(english)];
  return texts[english] ?? (upper && LOWER(upper)) ?? (lower && UPPER(lower)) ?? english;
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

/** How a version of a procedure stands. */
export const VERSION_STATES: Record<string, string> = {
  DRAFT: say("shelf.one-version.draft", "draft"),
  APPROVED: say("shelf.one-version.approved", "approved"),
  RETIRED: say("shelf.one-version.retired", "retired"),
};

/** How a round stands between the first step and production. */
export const STATUS: Record<string, string> = {
  OPEN: say("status.open", "being cleaned"),
  WAITING: say("status.waiting", "waits for its release"),
  RELEASED: say("status.released", "released"),
  CONDITIONAL: say("status.conditional", "released for a time"),
};
