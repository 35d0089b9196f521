import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { heard } from "./kept";
import { keys } from "./keys";
import { useSite } from "./session";
import { useLanguage } from "./settings";
import { type Degrees, textIn } from "./temperature";

/*
 * The floor in the reader's language. English is written in the code and in the sheets; a language is one
 * file that has each English text and its translation. What it lacks is shown in English rather than not at all.
 */

type File = { code: string; name: string; texts: Record<string, string> };

/** Puts the parts into a sentence: {0} is the first. */
export function filled(sentence: string, parts: (string | number)[]): string {
  return sentence.replace(/\{(\d)\}/g, (_, n) => String(parts[Number(n)] ?? ""));
}

const LOWER = (text: string) => text.replace(/^./, (c) => c.toLowerCase());
const UPPER = (text: string) => text.replace(/^./, (c) => c.toUpperCase());

/**
 * A text in the language of the file; else its parts: a number behind a name, what a timer is for, and
 * names joined by commas and "and", with the rest counted. What is not known stays as it is.
 */
export function translate(texts: Record<string, string>, english: string): string {
  return known(texts, english) ?? english;
}

function known(texts: Record<string, string>, english: string): string | undefined {
  const whole = texts[english] ?? (texts[UPPER(english)] && LOWER(texts[UPPER(english)]));
  if (whole !== undefined) {
    return whole;
  }
  const lower = texts[LOWER(english)];
  if (lower !== undefined) {
    return UPPER(lower);
  }
  const numbered = /^(.*\D) (\d+)$/.exec(english);
  const name = numbered && known(texts, numbered[1]);
  if (numbered && name) {
    return `${name} ${numbered[2]}`;
  }
  const running = /^(.*) (soaking|circulating|cooling|drying)(?:, (.*))?$/.exec(english);
  if (running) {
    const [what, doing, where] = [known(texts, running[1]), known(texts, running[2]), running[3]];
    const there = where ? known(texts, where) : "";
    return what && doing && there !== undefined ? `${what}: ${doing}${there ? `, ${there}` : ""}` : undefined;
  }
  const rest = /^(.*) and (\d+) more$/.exec(english);
  if (rest) {
    const names = known(texts, rest[1]);
    return names && filled(texts["{0} and {1} more"] ?? "{0} + {1}", [names, rest[2]]);
  }
  return list(texts, english);
}

/** Names joined by commas, the last by "and"; a name may have a comma of its own. */
function list(texts: Record<string, string>, english: string): string | undefined {
  for (const joint of [", ", " and "]) {
    for (let at = english.indexOf(joint); at > 0; at = english.indexOf(joint, at + 1)) {
      const first = known(texts, english.slice(0, at));
      const others = first && known(texts, english.slice(at + joint.length));
      if (first && others) {
        return `${first}${joint === ", " ? ", " : (texts[" and "] ?? " + ")}${others}`;
      }
    }
  }
  return undefined;
}

export type Say = (english: string, ...parts: (string | number)[]) => string;

const load = (code: string): Promise<File> =>
  heard(`language:${code}`, () => unwrap(api.GET("/api/languages/{code}", { params: { path: { code } } })));

/** What says a text; until the file has come it says it in English. */
export function useSay(): Say {
  const language = useLanguage();
  const unit = useDegrees();
  const file = useQuery({
    queryKey: keys.language(language),
    queryFn: () => load(language),
    enabled: language !== "en",
    staleTime: Number.POSITIVE_INFINITY,
  });
  const texts = (language !== "en" && file.data?.texts) || {};
  return (english, ...parts) =>
    textIn(unit, filled(translate(texts, english), parts), filled(english, parts));
}

/** What the site's thermometers show. */
export function useDegrees(): Degrees {
  return useSite().data?.ways.temperatures === "°F" ? "°F" : "°C";
}

export function useLanguages() {
  return useQuery({
    queryKey: keys.languages(),
    queryFn: () => heard("languages", () => unwrap(api.GET("/api/languages"))),
  });
}

/** Why an entry was not taken, as the core names it. */
export const REFUSALS: Record<string, string> = {
  CLOSED: "This round is closed; nothing more can be entered.",
  ALREADY_DONE: "Step {0} is already done.",
  COMES_FIRST: "Step {0} comes first.",
  NO_STEP: "This round has no such step.",
  NO_TIMER: "Step {0} has no timer.",
  NO_PIECE: "There is no such piece in this round.",
  TOO_MANY: "Step {0} has no such piece: there are {2} of {3} in all.",
  NO_READING: "Step {0} takes no reading.",
  NO_INSTRUMENT: "There is no such instrument.",
  SAY_FIRST: "The last reading was out of range. Enter the corrective action first, then read again.",
  NOTHING_TO_CORRECT: "There is no reading at step {0} to correct.",
  SAY_WHAT: "Enter what was done.",
  NO_CHECK: "Step {0} has no such check.",
  NEEDS_VALUE: "“{0}” needs its value in {1}.",
  NOT_TAPPED: "Not yet tapped: {0}.",
  SOAKING: "The soak needs another {0}.",
  READ_FIRST: "Read strength and temperature first.",
  NOT_IN: "The last reading is out of range. Correct it, enter the corrective action, and read again.",
  START_CONTACT: "Start the wet contact when the last surface is wet.",
  KEEP_WET: "Keep it wet for another {0}.",
  OUT_OF_RANGE: "“{0}” is out of range; set it and check again.",
  TOO_CLOSE: "Can’t tell “{0}” with this gauge: set it further inside the range, or use a finer one.",
  NOT_CHECKED: "Not yet checked: {0}.",
  NOT_CONFIRMED: "Not yet confirmed: {0}.",
  NO_ASK: "Step {0} does not ask for that.",
  NO_ENERGY: "There is no such energy to lock at this machine.",
  NO_PHOTO: "Step {0} needs a photo; take it with the camera.",
  NO_LOCK_NUMBER: "Say the number on the lock.",
  LOCK_ON: "Lock {0} is already on {1}.",
  NO_LOCK: "There is no lock {0} on {1}.",
  NOT_YOUR_LOCK:
    "Lock {0} belongs to {1}. Nobody takes off another’s lock; the supervisor has a procedure for it.",
  NOT_YET: "Locks stay on until step {0}.",
  OWN_LOCK: "{0} has no lock on {1}. Everybody with hands in the machine puts on their own.",
  STILL_OFF: "Still off the machine: {0}.",
  STILL_FITTED: "Still fitted for cleaning: {0}.",
  STILL_LOCKED: "Still locked: {0}.",
  NOT_DONE: "Step {0} is not done yet.",
  NO_PART: "There is no such part in this round.",
  NAME_THE_PART: "Say which part.",
};
