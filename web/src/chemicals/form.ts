import type { Schemas } from "../api/client";
import { say } from "../shared/say";

type Quantity = Schemas["Quantity"];

/** A product in its open format, as far as the form shows it. */
export type ChemicalDoc = {
  id: string;
  name: string;
  kind: string;
  registration?: string;
  stock?: { percent: number; basis: string; density?: number };
  label: {
    least?: Quantity;
    most?: Quantity;
    contact?: Quantity;
    leastTemperature?: Quantity;
    highestTemperature?: Quantity;
    highestPh?: Quantity;
    hardestWater?: Quantity;
    soakCleans?: boolean;
    rinseDirected?: boolean;
    directions?: string;
  };
  uses?: string[];
  organisms?: string[];
  ppe?: string[];
  neverWith?: string[];
  pricePerLitre?: number;
  shelfLifeDays?: number;
  foodGrade?: string;
  solutionLife?: Quantity;
  reorder?: { amount: number; unit: string; leadDays?: number };
};

const FIGURES = [
  "least",
  "most",
  "contact",
  "leastTemperature",
  "highestTemperature",
  "hardestWater",
] as const;

/** What stands in the fields: figures as they are typed. */
export type Form = Record<(typeof FIGURES)[number], string> & {
  name: string;
  kind: string;
  registration: string;
  stock: string;
  basis: string;
  density: string;
  highestPh: string;
  solutionLife: string;
  reorder: string;
  leadDays: string;
  soakCleans: boolean;
  rinseDirected: boolean;
  directions: string;
  uses: string[];
  organisms: string[];
  ppe: string[];
  neverWith: string[];
  price: string;
  shelf: string;
  foodGrade: string | undefined;
};

export const KINDS = [
  { value: "chlorine", label: say("chemicals.form.sanitizer-chlorine", "sanitizer: chlorine") },
  { value: "iodine", label: say("chemicals.form.sanitizer-iodophor", "sanitizer: iodophor") },
  { value: "quat", label: say("chemicals.form.sanitizer-quat", "sanitizer: quat") },
  { value: "paa", label: say("chemicals.form.sanitizer-peroxyacetic-acid", "sanitizer: peroxyacetic acid") },
  { value: "neutral-detergent", label: say("chemicals.form.neutral-detergent", "neutral detergent") },
  { value: "alkaline-detergent", label: say("chemicals.form.alkaline-detergent", "alkaline detergent") },
  {
    value: "chlorinated-alkaline",
    label: say("chemicals.form.chlorinated-alkaline-detergent", "chlorinated alkaline detergent"),
  },
  { value: "degreaser", label: say("chemicals.form.degreaser", "degreaser") },
  { value: "caustic", label: say("chemicals.form.caustic", "caustic") },
  { value: "acid", label: say("chemicals.form.acid-descaler", "acid descaler") },
  { value: "oil", label: say("chemicals.form.oil", "oil") },
  { value: "grease", label: say("chemicals.form.grease", "grease") },
  { value: "shield", label: say("chemicals.form.soil-shield", "soil shield") },
];

const text = (n: number | undefined) => (n === undefined ? "" : String(n));

export function formOf(doc: ChemicalDoc | null, shown: (q: Quantity | undefined) => string): Form {
  const label = doc?.label ?? {};
  const figures = Object.fromEntries(FIGURES.map((f) => [f, shown(label[f])])) as Record<
    (typeof FIGURES)[number],
    string
  >;
  return {
    ...figures,
    name: doc?.name ?? "",
    kind: doc?.kind ?? "neutral-detergent",
    registration: doc?.registration ?? "",
    stock: text(doc?.stock?.percent),
    basis: doc?.stock?.basis ?? "mass-in-mass",
    density: text(doc?.stock?.density),
    highestPh: text(label.highestPh?.value),
    solutionLife: shown(doc?.solutionLife),
    reorder: doc?.reorder ? `${doc.reorder.amount} ${doc.reorder.unit}` : "",
    leadDays: text(doc?.reorder?.leadDays),
    soakCleans: label.soakCleans ?? false,
    rinseDirected: label.rinseDirected ?? false,
    directions: label.directions ?? "",
    uses: doc?.uses ?? [],
    organisms: doc?.organisms ?? [],
    ppe: doc?.ppe ?? [],
    neverWith: doc?.neverWith ?? [],
    price: text(doc?.pricePerLitre),
    shelf: text(doc?.shelfLifeDays),
    foodGrade: doc?.foodGrade,
  };
}

/** Letters and figures of the name, joined by hyphens. */
export const idFrom = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 60);

/**
 * The document as the fields say it. What is no figure is sent as it was typed, so that the server
 * names the field; it is never dropped.
 */
export function documentOf(
  form: Form,
  id: string | null,
  split: (text: string) => Quantity | null,
): ChemicalDoc {
  const quantity = (typed: string): Quantity | undefined =>
    typed.trim() === "" ? undefined : (split(typed) ?? (typed as unknown as Quantity));
  const number = (typed: string): number | undefined =>
    typed.trim() === "" ? undefined : numberOrText(typed);
  const label: ChemicalDoc["label"] = Object.fromEntries(FIGURES.map((f) => [f, quantity(form[f])]));
  const percent = number(form.stock);
  return {
    id: id ?? idFrom(form.name),
    name: form.name.trim(),
    kind: form.kind,
    registration: form.registration.trim() || undefined,
    stock: percent === undefined ? undefined : { percent, basis: form.basis, density: number(form.density) },
    label: {
      ...label,
      highestPh:
        number(form.highestPh) === undefined
          ? undefined
          : { value: number(form.highestPh) as number, unit: "pH" },
      soakCleans: form.soakCleans,
      rinseDirected: form.rinseDirected,
      directions: form.directions,
    },
    uses: form.uses,
    organisms: form.organisms,
    ppe: form.ppe,
    neverWith: form.neverWith,
    pricePerLitre: number(form.price) ?? 0,
    shelfLifeDays: number(form.shelf) ?? 0,
    foodGrade: form.foodGrade,
    solutionLife: quantity(form.solutionLife),
    reorder: reorder(form.reorder, number(form.leadDays)),
  };
}

/** As stock is counted; what is no amount is sent as it was typed. */
function reorder(typed: string, leadDays: number | undefined): ChemicalDoc["reorder"] {
  if (typed.trim() === "") {
    return undefined;
  }
  const [, amount, unit] = /^\s*([\d.,]+)\s*(L|kg|pieces)\s*$/.exec(typed) ?? [];
  return amount === undefined || unit === undefined
    ? (typed as unknown as ChemicalDoc["reorder"])
    : { amount: numberOrText(amount), unit, leadDays };
}

function numberOrText(typed: string): number {
  const n = Number(typed.replace(",", "."));
  return Number.isFinite(n) ? n : (typed as unknown as number);
}
