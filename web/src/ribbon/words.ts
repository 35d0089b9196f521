import type { Schemas } from "../api/client";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { type Step, showQuantity } from "./draft";

export type Names = Map<string, string>;

/** Names of everything on a sheet by id. */
export function namesOf(
  sheet: Schemas["SheetView"] | undefined,
  chemicals: Schemas["ChemicalView"][] = [],
): Names {
  const names: Names = new Map();
  for (const p of sheet?.parts ?? []) {
    names.set(p.id, told(p.name));
    for (const s of p.surfaces) {
      names.set(s.id, told(s.name));
    }
  }
  for (const e of sheet?.energies ?? []) {
    names.set(e.id, told(e.name));
  }
  for (const c of sheet?.checks ?? []) {
    names.set(c.id, told(c.name));
  }
  for (const p of [...(sheet?.passages ?? []), ...(sheet?.fittings ?? [])]) {
    names.set(p.id, told(p.name));
  }
  for (const c of chemicals) {
    names.set(c.id, c.name);
  }
  return names;
}

const list = (ids: string[] | undefined, names: Names) => {
  const said = (ids ?? []).map((i) =>
    (names.get(i) ?? i).replace(/^([A-Z])(?=[a-z])/, (c) => c.toLowerCase()),
  );
  return said.length > 3
    ? say("ribbon.words.and-more", "{0} and {1} more", said.slice(0, 2).join(", "), said.length - 2)
    : said.join(", ");
};

/** The actions there are, each with its fields, as the server's table has them. */
export type Actions = Schemas["ActionInfo"][];

export type Stated = Schemas["StatedField"];

const READ_FIRST = ["NAMES", "TEXTS", "CHEMICAL", "QUANTITY", "NUMBER", "COUNT"];

/** One line that says what a step states: things first, then figures. */
export function summary(s: Step, names: Names, actions: Actions): string {
  const fields = actions.find((a) => a.name === s.action)?.fields ?? [];
  const rank = (f: Stated) => (READ_FIRST.includes(f.kind) ? READ_FIRST.indexOf(f.kind) : READ_FIRST.length);
  const parts = [...fields]
    .sort((a, b) => rank(a) - rank(b))
    .map((f) => stated(f, (s as Record<string, unknown>)[f.name], names))
    .filter(Boolean);
  return parts.join(", ") || told(s.words ?? "");
}

function stated(f: Stated, value: unknown, names: Names): string {
  if (value === undefined || value === null || value === false) {
    return "";
  }
  const word = f.word === "->" ? say("ribbon.words.to", "to") : told(f.word);
  const worded = (text: string) => (word && f.kind !== "CHEMICAL" ? `${word} ${text}` : text);
  switch (f.kind) {
    case "NAMES":
      return list(value as string[], names);
    case "TEXTS":
      return (value as string[]).length === 0 ? "" : worded((value as string[]).map(told).join(", "));
    case "CHOICES":
      return (value as string[]).length === 0
        ? ""
        : worded((value as string[]).map(told).join(say("ribbon.words.and", " and ")));
    case "CHEMICAL":
      return names.get(value as string) ?? String(value);
    case "QUANTITY":
      return worded(showQuantity(value as Schemas["Quantity"]));
    case "COUNT":
      return `${value} ${told(value === 1 ? f.word.replace(/s$/, "") : f.word)}`;
    case "FLAG":
      return told(f.word);
    case "CHOICE":
      return f.needed ? "" : worded(told(String(value).replace("-", " ")));
    default:
      return worded(told(String(value)));
  }
}

const EVERY_STEP: Record<string, string> = {
  when: say("ribbon.words.only-with-the-option", "only with the option"),
  words: say("ribbon.words.words-for-the-cleaner", "words for the cleaner"),
  minutes: say("ribbon.words.planned-minutes", "planned minutes"),
  mode: say("ribbon.words.what-the-controls-do", "what the controls do"),
};

/** What a field is called, whichever action has it. */
export function fieldLabel(name: string, actions: Actions): string {
  const field = actions.flatMap((a) => a.fields).find((f) => f.name === name);
  return (field && told(field.label)) ?? EVERY_STEP[name] ?? name;
}

const MODES: Record<string, string> = {
  stop: say("ribbon.words.stop", "Stop"),
  "safe-position": say("ribbon.words.set-safe", "Set safe"),
  drain: say("ribbon.words.drain", "Drain"),
  expel: say("ribbon.words.expel", "Expel"),
  run: say("ribbon.words.run-closed", "Run closed"),
  "clean-mode": say("ribbon.words.run-in-clean-mode", "Run in clean mode"),
};

/** The trade's word for what a step does; the controls are used for one thing at a time. */
export function verbOf(s: Step, actions: Actions): string {
  const label = actions.find((a) => a.name === s.action)?.label ?? s.action;
  return s.action === "operate" ? (MODES[s.mode ?? ""] ?? told(label)) : told(label);
}

/** An edit as a line of a difference. */
export function editLine(e: Schemas["EditDocument"], steps: Step[], names: Names, actions: Actions): string {
  const place = (id: string | undefined) => {
    const i = steps.findIndex((s) => s.id === id);
    return i < 0
      ? say("ribbon.words.at-the-end", "at the end")
      : say("ribbon.words.before-step", "before step {0}", i + 1);
  };
  const number = steps.findIndex((s) => s.id === e.id) + 1;
  if (e.edit === "insert-before" && e.step) {
    return `+ ${place(e.before)}: ${verbOf(e.step, actions)} ${summary(e.step, names, actions)}`;
  }
  if (e.edit === "move") {
    return say("ribbon.words.step-goes", "↕ step {0} goes {1}", number, place(e.before));
  }
  if (e.edit === "delete") {
    return say("ribbon.words.step", "− step {0}", number);
  }
  const old = steps[number - 1] as Record<string, unknown> | undefined;
  const next = (e.step ?? {}) as Record<string, unknown>;
  const changed = [...new Set([...Object.keys(old ?? {}), ...Object.keys(next)])]
    .filter((k) => JSON.stringify(old?.[k]) !== JSON.stringify(next[k]))
    .map((k) => `${fieldLabel(k, actions)} ${shown(old?.[k], names)} → ${shown(next[k], names)}`);
  return say("ribbon.words.step-2", "~ step {0}: {1}", number, changed.join("; "));
}

function shown(v: unknown, names: Names): string {
  if (v === undefined || v === null) {
    return say("ribbon.words.not-stated", "not stated");
  }
  if (Array.isArray(v)) {
    return list(v as string[], names) || say("ribbon.words.none", "none");
  }
  if (typeof v === "object") {
    return showQuantity(v as Schemas["Quantity"]);
  }
  return String(v);
}

/** What became of a step between two versions. */
export const BECAME: Record<string, string> = {
  added: say("procedures.compare.new", "New"),
  removed: say("procedures.compare.gone", "Gone"),
  changed: say("procedures.compare.changed", "Changed"),
  moved: say("procedures.compare.moved", "Moved"),
};
