import { say } from "../shared/say";
import { fading, type Solution } from "../solution/shelf";
import {
  type ChangeBy,
  type Ends,
  type Job,
  type Pack,
  type Product,
  readersOf,
  type Seen,
  type Table,
} from "../solution/table";

/** What the bench was asked, read from its address, with what holds where nothing was said. */
export type Asked = {
  product: Product;
  vessel?: Pack["vessels"][number];
  brim: number;
  litres: number;
  celsius: number;
  /** Absent: not read. */
  ph?: number;
  hold: number;
  stroke: number;
  /** The hot tap; 0: not blended. */
  hot: number;
  /** The concentrate, percent of its strength when new. */
  fresh: number;
  /** What may decide here, and the one chosen. */
  fits: Pack["instruments"];
  by?: Pack["instruments"][number];
  /** The strength somebody aims at, mg/L, or percent where nothing reads it. */
  wanted?: number;
  /** What it is for. */
  purpose?: string;
};

const number = (text: string | null, otherwise: number) => {
  const n = Number(text);
  return text !== null && text !== "" && Number.isFinite(n) ? n : otherwise;
};

/** What is mixed: the product that was asked for, or the first of the site. */
export const productOf = (params: URLSearchParams, pack: Pack): Product =>
  pack.products.find((p) => p.id === params.get("product")) ?? pack.products[0];

/**
 * Reads what was asked; what failed its check, or has expired, decides nothing. The concentrate is taken to be as
 * strong as its age says, where that is known.
 */
export function askedOf(
  params: URLSearchParams,
  pack: Pack,
  usable: (instrument: string) => boolean,
  byAge = 100,
): Asked {
  const product = productOf(params, pack);
  const vessel = pack.vessels.find((v) => v.id === params.get("vessel")) ?? pack.vessels[0];
  const brim = vessel?.brim ?? 40;
  const fits = readersOf(pack, product).filter((i) => usable(i.id));
  return {
    product,
    vessel,
    brim,
    litres: number(params.get("litres"), Math.min(brim, Math.round(brim * 0.66))),
    celsius: number(params.get("t"), 20),
    ph: params.get("ph") === "" ? undefined : number(params.get("ph"), pack.ph + 0.6),
    hold: number(params.get("hold"), 0),
    stroke: number(params.get("stroke"), 0),
    hot: number(params.get("hot"), 0),
    fresh: number(params.get("fresh"), byAge),
    fits,
    by: fits.find((i) => i.id === params.get("by")) ?? fits[0],
    wanted: params.get("aim") ? number(params.get("aim"), 0) : undefined,
    purpose: params.get("for") ?? undefined,
  };
}

/** What the core is asked; the fade is a share an hour. */
export const jobOf = (asked: Asked, pack: Pack, fade: number | undefined): Job => ({
  product: asked.product.id,
  litres: asked.litres,
  brim: asked.brim,
  celsius: asked.celsius,
  ph: asked.ph,
  rinseAfter: pack.rinseAfter,
  instrument: asked.by?.id,
  hold: asked.hold,
  fade: fade ?? 0,
  strokeMl: asked.stroke > 0 ? asked.stroke : undefined,
  stockMgPerL:
    asked.product.stockMgPerL && asked.fresh !== 100
      ? (asked.product.stockMgPerL * asked.fresh) / 100
      : undefined,
  wanted: aimFor(asked.product, asked.wanted),
});

/**
 * Until when a solution holds as it is read now, with its readings since it was last corrected.
 *
 * @param now the reading that is being taken
 */
export function endOf(table: Table, job: Job, s: Solution, now: Seen): ChangeBy | undefined {
  const since = s.corrections.at(-1)?.at;
  const mixed =
    since === undefined && s.mgPerL !== undefined
      ? { at: s.at, mgPerL: s.mgPerL, celsius: s.celsius }
      : undefined;
  const answer = table.changeBy({ ...job, ph: s.ph }, s.at, mixed, [...fading(s), now]);
  return answer.outside === undefined ? answer : undefined;
}

export const ENDS: Record<Ends, string> = {
  label: say("mixing.ends.label", "its label allows no longer"),
  habit: say("mixing.ends.habit", "no solution is used longer here"),
  fades: say("mixing.ends.fades", "it is too weak by then"),
  cools: say("mixing.ends.cools", "it is too cold by then"),
};

/** An aim as the core takes it: mg/L; what nothing reads is aimed at in percent of volume. */
export const aimFor = (product: Product, wanted: number | undefined) =>
  wanted === undefined ? undefined : product.sanitizes ? wanted : wanted * 10_000;

/** How fast a product fades here, per hour, by the newest solution that tells; undefined where none does. */
export function fadeOf(table: Table, solutions: Solution[], product: Product): number | undefined {
  const told = solutions
    .filter((x) => x.chemical === product.id && fading(x).length > 1)
    .sort((a, b) => b.at - a.at)[0];
  if (!told || !product.leastMgPerL) {
    return undefined;
  }
  const readings = fading(told);
  const answer = table.compute("fade", {
    readings: readings.map((r) => `${(r.at - readings[0].at) / 3_600_000}h:${r.mgPerL}mg/L`).join(","),
    minimum: `${product.leastMgPerL}mg/L`,
  });
  const k = answer.said === undefined ? (answer.also.k as { value: number } | undefined) : undefined;
  return k && k.value > 0 ? k.value : undefined;
}

export const fadeWords = (fade: number | undefined) =>
  fade === undefined
    ? say(
        "mixing.mixing.fade-unknown",
        "How fast it fades here is not known yet: read one solution twice, hours apart. Until then only the instrument is allowed for.",
      )
    : say(
        "mixing.mixing.fade-known",
        "By your own readings it loses {0} % an hour.",
        Math.round((1 - Math.exp(-fade)) * 1000) / 10,
      );

/** A reading within so long after mixing tells of the concentrate, not of what became of the solution. */
const FRESH_MS = 30 * 60_000;
const TELLING = 3;

/**
 * How strong the concentrate is against what it was when new, in percent, by the first readings of fresh mixes; the
 * newest three count. Undefined where none was read soon enough.
 */
export function concentrateOf(solutions: Solution[], product: Product) {
  const shares = solutions
    .filter((s) => s.chemical === product.id && s.mgPerL !== undefined && s.mgPerL > 0)
    .sort((a, b) => b.at - a.at)
    .flatMap((s) => {
      const first = s.readings[0];
      const corrected = s.corrections[0]?.at ?? Number.POSITIVE_INFINITY;
      return first && first.at - s.at <= FRESH_MS && first.at <= corrected
        ? [(100 * first.mgPerL) / (s.mgPerL ?? 1)]
        : [];
    })
    .slice(0, TELLING);
  if (shares.length === 0) {
    return undefined;
  }
  const percent = Math.round(shares.reduce((a, b) => a + b, 0) / shares.length);
  return { percent, mixes: shares.length };
}
