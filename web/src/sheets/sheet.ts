import { say } from "../shared/say";
/** The sheet as a plain tree, changed by pointer; the schema of the format says what may stand where. */
export type Json = string | number | boolean | null | Json[] | { [key: string]: Json };
export type Tree = { [key: string]: Json };
export type Schema = {
  type?: string;
  title?: string;
  description?: string;
  enum?: string[];
  properties?: Record<string, Schema>;
  items?: Schema;
  required?: string[];
  maxLength?: number;
  minimum?: number;
  maximum?: number;
};

/** What the schema says of the field at a pointer, if it has such a field. */
export function schemaAt(schema: Schema, pointer: string): Schema | undefined {
  return steps(pointer).reduce<Schema | undefined>(
    (here, key) => (/^\d+$/.test(key) ? here?.items : here?.properties?.[key]),
    schema,
  );
}

const steps = (pointer: string) => pointer.split("/").slice(1);

export function at(tree: Json | undefined, pointer: string): Json | undefined {
  return steps(pointer).reduce<Json | undefined>(
    (here, key) =>
      here === undefined || here === null || typeof here !== "object"
        ? undefined
        : Array.isArray(here)
          ? here[Number(key)]
          : here[key],
    tree,
  );
}

/** The same with another value there; undefined takes it away. What was not there is made. */
export function put(tree: Json, pointer: string, value: Json | undefined): Json {
  const [key, ...rest] = steps(pointer);
  if (key === undefined) {
    return value ?? {};
  }
  const below = rest.length > 0 ? `/${rest.join("/")}` : "";
  if (Array.isArray(tree)) {
    const next = [...tree];
    if (below === "" && value === undefined) {
      next.splice(Number(key), 1);
    } else {
      next[Number(key)] = below === "" ? (value as Json) : put(next[Number(key)] ?? {}, below, value);
    }
    return next;
  }
  const next = { ...(tree as Tree) };
  const made = below === "" ? value : put(next[key] ?? {}, below, value);
  if (made === undefined || (below !== "" && empty(made))) {
    delete next[key];
  } else {
    next[key] = made;
  }
  return next;
}

/** The same without a thing of a list; a part takes its shapes in the outline with it. */
export function without(sheet: Tree, pointer: string): Tree {
  const id = (at(sheet, pointer) as Tree | undefined)?.id;
  const next = put(sheet, pointer, undefined) as Tree;
  const shapes = at(next, "/outline/shapes");
  if (!/^\/parts\/\d+$/.test(pointer) || !Array.isArray(shapes)) {
    return next;
  }
  return put(
    next,
    "/outline/shapes",
    shapes.filter((x) => (x as Tree).part !== id),
  ) as Tree;
}

const empty = (value: Json) =>
  typeof value === "object" && value !== null && !Array.isArray(value) && Object.keys(value).length === 0;

/** Letters and numbers of a name as an id that no other has. */
export function idFor(name: string, taken: string[]): string {
  const base =
    name
      .toLowerCase()
      .normalize("NFD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 50) || "thing";
  let id = base;
  for (let n = 2; taken.includes(id); n++) {
    id = `${base}-${n}`;
  }
  return id;
}

export type Named = { id: string; name: string };

const named = (list: Json | undefined): Named[] =>
  (Array.isArray(list) ? (list as Tree[]) : []).map((x) => ({ id: String(x.id), name: String(x.name) }));

export const partsOf = (sheet: Tree) => named(sheet.parts);
export const surfacesOf = (sheet: Tree) =>
  (Array.isArray(sheet.parts) ? (sheet.parts as Tree[]) : []).flatMap((p) => named(p.surfaces));

/** What a field may name, by the field; nothing for a field that names nothing. */
export function choices(sheet: Tree, field: string, chemicals: Named[]): Named[] | null {
  switch (field) {
    case "behind":
    case "after":
    case "pair":
    case "holder":
    case "part":
    case "needs":
    case "closedBy":
      return partsOf(sheet);
    case "zone":
      return partsOf(sheet);
    case "covers":
    case "above":
    case "surfaces":
    case "cleans":
      return surfacesOf(sheet);
    case "fedBy":
    case "energies":
      return named(sheet.energies);
    case "banned":
      return chemicals;
    case "when":
      return (Array.isArray(sheet.optionGroups) ? (sheet.optionGroups as Tree[]) : []).flatMap((g) =>
        named(g.options).map((o) => ({ id: `${g.id}=${o.id}`, name: `${g.name}: ${o.name}` })),
      );
    default:
      return null;
  }
}

/** All ids of a sheet; a new one is none of them. */
export const idsOf = (sheet: Tree): string[] =>
  [
    ...partsOf(sheet),
    ...surfacesOf(sheet),
    ...["energies", "checks", "passages", "fittings", "programs", "optionGroups"].flatMap((k) =>
      named(sheet[k]),
    ),
  ].map((n) => n.id);

export const EMPTY: Tree = {
  code: "",
  name: "",
  family: "",
  regime: "retail",
  version: 1,
  room: "",
  roomTemperature: { value: 20, unit: "°C" },
  configuration: say("sheets.sheet.as-delivered", "as delivered"),
  temperatureControlledFood: true,
  organic: false,
  soils: [],
  parts: [
    {
      id: "body",
      name: say("sheets.sheet.body", "Body"),
      count: 1,
      removable: false,
      shifts: false,
      surfaces: [],
    },
  ],
  energies: [],
  checks: [],
};

/** What a new thing of a list begins with; what the sheet has to say of it is left to say. */
export const FRESH: Record<string, Tree> = {
  parts: { count: 1, removable: true, shifts: false, surfaces: [] },
  surfaces: {
    zone: 1,
    materials: [say("sheets.sheet.stainless-steel", "stainless steel")],
    end: "sanitized",
    frequency: "daily",
  },
  energies: { kind: "supplied", zone: [] },
  checks: { part: "body" },
  optionGroups: {
    options: [
      { id: "yes", name: "yes" },
      { id: "no", name: "no" },
    ],
    fitted: "yes",
  },
  passages: { surfaces: [], volume: { value: 1, unit: "L" } },
  fittings: { count: 1 },
  programs: { purpose: "wash", earliestEnd: { value: 10, unit: "min" } },
  options: {},
  settings: { approved: 0, tolerance: 0 },
  counters: { unit: "hours" },
  upkeep: { interval: { every: "weekly" }, lockout: true, qualified: false },
  kits: { parts: [] },
  recipes: { parts: [{ what: "water", share: 1 }] },
  looks: { state: "stopped", look: "", cure: "", qualified: false },
  symptoms: { symptom: "", looks: [] },
  signs: { sign: "", normal: true, means: "" },
  faults: { text: "", means: "" },
};
