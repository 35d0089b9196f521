import type { Schemas } from "../api/client";
import { type Step, showQuantity } from "./draft";

export type Names = Map<string, string>;

/** Names of everything on a sheet by id. */
export function namesOf(
  sheet: Schemas["SheetView"] | undefined,
  chemicals: Schemas["ChemicalView"][] = [],
): Names {
  const names: Names = new Map();
  for (const p of sheet?.parts ?? []) {
    names.set(p.id, p.name);
    for (const s of p.surfaces) {
      names.set(s.id, s.name);
    }
  }
  for (const e of sheet?.energies ?? []) {
    names.set(e.id, e.name);
  }
  for (const c of sheet?.checks ?? []) {
    names.set(c.id, c.name);
  }
  for (const p of [...(sheet?.passages ?? []), ...(sheet?.fittings ?? [])]) {
    names.set(p.id, p.name);
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
  return said.length > 3 ? `${said.slice(0, 2).join(", ")} and ${said.length - 2} more` : said.join(", ");
};

/** One line that says what a step states: things first, then figures. */
export function summary(s: Step, names: Names): string {
  const parts = [
    list(s.items, names),
    list(s.energies, names),
    list(s.checks, names),
    list(s.fittings, names),
    (s.places ?? []).join(", "),
    s.action === "prepare" ? (s.things ?? []).join(", ") : "",
    s.times ? `${s.times} times` : "",
    s.locks === undefined ? "" : `${s.locks} ${s.locks === 1 ? "lock" : "locks"}`,
    s.secondMeasure ?? "",
    s.below ? `at most ${showQuantity(s.below)}` : "",
    s.standing ? `after ${showQuantity(s.standing)}` : "",
    showQuantity(s.volume),
    s.product ?? "",
    s.program ?? "",
    s.finalRinse ? `last rinse ${showQuantity(s.finalRinse)}` : "",
    showQuantity(s.pressure),
    s.complete?.length ? `with ${s.complete.join(", ")} in place` : "",
    s.purged?.length ? `purging ${s.purged.join(", ")}` : "",
    s.place ? `in ${s.place}` : "",
    s.tool ?? "",
    s.direction ?? "",
    s.pattern ?? "",
    s.count ? `${s.count} of them` : "",
    s.chemical ? (names.get(s.chemical) ?? s.chemical) : "",
    showQuantity(s.strength),
    showQuantity(s.temperature),
    s.ph === undefined ? "" : `pH ${s.ph}`,
    s.contact ? `wet ${showQuantity(s.contact)}` : "",
    s.method ?? "",
    s.flow ? `flowing ${s.flow}` : "",
    s.endPoint ? `until ${s.endPoint.replace("-", " ")}` : "",
    s.dwell ? `for ${showQuantity(s.dwell)}` : "",
    s.destination ? `to ${s.destination}` : "",
    s.readings?.length ? `read ${s.readings.join(" and ")}` : "",
    s.who ? `for ${s.who}` : "",
  ].filter(Boolean);
  return parts.join(", ") || s.words || "";
}

const FIELD_WORDS: Record<string, string> = {
  items: "parts and surfaces",
  energies: "energies",
  ph: "pH",
  endPoint: "end of the rinse",
  dwell: "time it runs on",
  contact: "wet contact",
  place: "in which sink, bucket or bath",
  places: "sinks, buckets, baths",
  washedOut: "washed out and rinsed afterwards",
  locks: "personal locks",
  secondMeasure: "second measure beside the tag",
  below: "measured, at most",
  standing: "standing since the stop",
  times: "positions visited",
  powered: "under power, hands out of reach",
  tool: "brush or cloth",
  direction: "direction of wiping",
  velocity: "speed in the line",
  flow: "which way it flows",
  pattern: "how it is fastened",
  product: "which drink or food",
  program: "program of the machine",
  finalRinse: "temperature of the last rinse",
  pressure: "pressure of the last rinse",
  complete: "seen in place in the washer",
  purged: "side chambers opened to the flow",
  when: "only with the option",
  words: "words for the cleaner",
};

export const fieldLabel = (f: string) =>
  FIELD_WORDS[f] ?? f.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);

const MODES: Record<string, string> = {
  stop: "Stop",
  "safe-position": "Set safe",
  drain: "Drain",
  expel: "Expel",
  run: "Run closed",
  "clean-mode": "Run in clean mode",
};

/** The trade's word for what a step does; the controls are used for one thing at a time. */
export function verbOf(s: Step, label: (action: string) => string): string {
  return s.action === "operate" ? (MODES[s.mode ?? ""] ?? label(s.action)) : label(s.action);
}

/** An edit as a line of a difference. */
export function editLine(
  e: Schemas["EditDocument"],
  steps: Step[],
  names: Names,
  label: (action: string) => string,
): string {
  const place = (id: string | undefined) => {
    const i = steps.findIndex((s) => s.id === id);
    return i < 0 ? "at the end" : `before step ${i + 1}`;
  };
  const number = steps.findIndex((s) => s.id === e.id) + 1;
  if (e.edit === "insert-before" && e.step) {
    return `+ ${place(e.before)}: ${verbOf(e.step, label)} ${summary(e.step, names)}`;
  }
  if (e.edit === "move") {
    return `↕ step ${number} goes ${place(e.before)}`;
  }
  if (e.edit === "delete") {
    return `− step ${number}`;
  }
  const old = steps[number - 1] as Record<string, unknown> | undefined;
  const next = (e.step ?? {}) as Record<string, unknown>;
  const changed = [...new Set([...Object.keys(old ?? {}), ...Object.keys(next)])]
    .filter((k) => JSON.stringify(old?.[k]) !== JSON.stringify(next[k]))
    .map((k) => `${fieldLabel(k)} ${shown(old?.[k], names)} → ${shown(next[k], names)}`);
  return `~ step ${number}: ${changed.join("; ")}`;
}

function shown(v: unknown, names: Names): string {
  if (v === undefined || v === null) {
    return "not stated";
  }
  if (Array.isArray(v)) {
    return list(v as string[], names) || "none";
  }
  if (typeof v === "object") {
    return showQuantity(v as Schemas["Quantity"]);
  }
  return String(v);
}
