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

/** Why an entry was not taken, as the core names it. */
export const REFUSALS: Record<string, string> = {
  LABEL_TAKEN: say("refusal.label-taken", "Label {0} is on {1} already; one label stands for one solution."),
  NO_MIX: say("refusal.no-mix", "Step {0} uses no solution."),
  OTHER_PRODUCT: say("refusal.other-product", "Label {0} is another product than this step uses."),
  TOO_OLD: say("refusal.too-old", "The solution with label {0} is older than it may get: mix a new one."),
  READ_IT_FIRST: say(
    "refusal.read-it-first",
    "The solution with label {0} was corrected and nobody has read it since. Read it.",
  ),
  LOT_EXPIRED: say("refusal.lot-expired", "Lot {0} has expired; it decides nothing any more."),
  NOT_OF_SITE: say("refusal.not-of-site", "This site has no {0} “{1}”."),
  NOT_ON_SHEET: say("refusal.not-on-sheet", "The sheet of {0} has no {1} “{2}”."),
  FAILED_CHECK: say("refusal.failed-check", "{0} failed its last check. Read with another one."),
  COUNT_WENT_BACK: say(
    "refusal.count-went-back",
    "The count stood at {0}; {1} is less. If its display was replaced, say so; else read it again.",
  ),
  CLOSED: say("refusal.closed", "This round is closed; nothing more can be entered."),
  ALREADY_DONE: say("refusal.already-done", "Step {0} is already done."),
  COMES_FIRST: say("refusal.comes-first", "Step {0} comes first."),
  NO_STEP: say("refusal.no-step", "This round has no such step."),
  NO_TIMER: say("refusal.no-timer", "Step {0} has no timer."),
  NO_PIECE: say("refusal.no-piece", "There is no such piece in this round."),
  TOO_MANY: say("refusal.too-many", "Step {0} has no such piece: there are {2} of {3} in all."),
  NO_READING: say("refusal.no-reading", "Step {0} takes no reading."),
  NO_INSTRUMENT: say("refusal.no-instrument", "There is no such instrument."),
  SAY_FIRST: say(
    "refusal.say-first",
    "The last reading was out of range. Enter the corrective action first, then read again.",
  ),
  NOTHING_TO_CORRECT: say("refusal.nothing-to-correct", "There is no reading at step {0} to correct."),
  SAY_WHAT: say("refusal.say-what", "Enter what was done."),
  NO_CHECK: say("refusal.no-check", "Step {0} has no such check."),
  NEEDS_VALUE: say("refusal.needs-value", "“{0}” needs its value in {1}."),
  NOT_TAPPED: say("refusal.not-tapped", "Not yet tapped: {0}."),
  SOAKING: say("refusal.soaking", "The soak needs another {0}."),
  READ_FIRST: say("refusal.read-first", "Read strength and temperature first."),
  NOT_IN: say(
    "refusal.not-in",
    "The last reading is out of range. Correct it, enter the corrective action, and read again.",
  ),
  START_CONTACT: say("refusal.start-contact", "Start the wet contact when the last surface is wet."),
  KEEP_WET: say("refusal.keep-wet", "Keep it wet for another {0}."),
  OUT_OF_RANGE: say("refusal.out-of-range", "“{0}” is out of range; set it and check again."),
  TOO_CLOSE: say(
    "refusal.too-close",
    "Can’t tell “{0}” with this gauge: set it further inside the range, or use a finer one.",
  ),
  NOT_CHECKED: say("refusal.not-checked", "Not yet checked: {0}."),
  NOT_CONFIRMED: say("refusal.not-confirmed", "Not yet confirmed: {0}."),
  NO_ASK: say("refusal.no-ask", "Step {0} does not ask for that."),
  NO_ENERGY: say("refusal.no-energy", "There is no such energy to lock at this machine."),
  NO_PHOTO: say("refusal.no-photo", "Step {0} needs a photo; take it with the camera."),
  NO_LOCK_NUMBER: say("refusal.no-lock-number", "Say the number on the lock."),
  LOCK_ON: say("refusal.lock-on", "Lock {0} is already on {1}."),
  NO_LOCK: say("refusal.no-lock", "There is no lock {0} on {1}."),
  NOT_YOUR_LOCK: say(
    "refusal.not-your-lock",
    "Lock {0} belongs to {1}. Nobody takes off another’s lock; the supervisor has a procedure for it.",
  ),
  NOT_YET: say("refusal.not-yet", "Locks stay on until step {0}."),
  OWN_LOCK: say(
    "refusal.own-lock",
    "{0} has no lock on {1}. Everybody with hands in the machine puts on their own.",
  ),
  STILL_OFF: say("refusal.still-off", "Still off the machine: {0}."),
  STILL_FITTED: say("refusal.still-fitted", "Still fitted for cleaning: {0}."),
  STILL_LOCKED: say("refusal.still-locked", "Still locked: {0}."),
  NOT_DONE: say("refusal.not-done", "Step {0} is not done yet."),
  NO_PART: say("refusal.no-part", "There is no such part in this round."),
  NOT_CLOSED: say("refusal.not-closed", "This round is not handed over yet."),
  ALREADY_RELEASED: say("refusal.already-released", "This round is already released."),
  PROOF_FAILED: say("refusal.proof-failed", "“{0}” did not pass. Re-clean, or read again."),
  PLAN_FIXED: say("refusal.plan-fixed", "The inspection list was fixed when the round was handed over."),
  NO_PLAN: say("refusal.no-plan", "There is no inspection list; it cannot be released like this."),
  NOT_IN_PLAN: say("refusal.not-in-plan", "The plan of this round has no site “{0}”."),
  NOT_FOUND: say("refusal.not-found", "Not released: still to be found or passed: {0}."),
  TOO_LONG: say("refusal.too-long", "A conditional release lasts 1 to {0} hours."),
  SAY_CONDITION: say("refusal.say-condition", "Say what the conditional release waits for."),
  NOT_EVEN_SO: say(
    "refusal.not-even-so",
    "Not even for a time: the inspection has to be done, and nothing may have failed.",
  ),
  DID_THE_WORK: say("refusal.did-the-work", "{0} did work in this round; somebody else has to release it."),
  NOT_YOURS: say("refusal.not-yours", "{0} may not do this: it is for {1}."),
  NOT_SIGNED: say("refusal.not-signed", "This has to be signed; that takes a connection."),
  STILL_HOLDS: say("refusal.still-holds", "{0} still holds {1}. Correct that, or empty it first."),
  NOT_RINSED: say(
    "refusal.not-rinsed",
    "{0} held {1} and was not washed out. Wash it out before something else goes in.",
  ),
  NO_SOLUTION: say("refusal.no-solution", "No solution of this site has the label {0}, or it is poured out."),
  NAME_THE_PART: say("refusal.name-the-part", "Say which part."),
};

/** How a round stands between the first step and production. */
export const STATUS: Record<string, string> = {
  OPEN: say("status.open", "being cleaned"),
  WAITING: say("status.waiting", "waits for its release"),
  RELEASED: say("status.released", "released"),
  CONDITIONAL: say("status.conditional", "released for a time"),
};
