/*
 * Volumes and strengths as this device shows them. Everything is kept and judged in L, mL and mg/L; only what is
 * shown and typed changes.
 */

export type Volumes = "L" | "gal";

const GALLON = 3.785411784;
const FLUID_OUNCE = 0.0295735295625;

const rounded = (x: number, places: number) => Math.round(x * 10 ** places) / 10 ** places;

/** Liters as they are shown in a field. */
export const volumeIn = (unit: Volumes, litres: number): number =>
  unit === "gal" ? rounded(litres / GALLON, 2) : litres;

/** A volume as it is typed, in liters to a hundredth. */
export const litresOf = (unit: Volumes, typed: number): number =>
  unit === "gal" ? rounded(typed * GALLON, 2) : typed;

/** Milliliters as they are shown in a field, fluid ounces in the other world. */
export const smallVolumeIn = (unit: Volumes, ml: number): number =>
  unit === "gal" ? rounded(ml / (FLUID_OUNCE * 1000), 2) : ml;

export const millilitresOf = (unit: Volumes, typed: number): number =>
  unit === "gal" ? rounded(typed * FLUID_OUNCE * 1000, 1) : typed;

export const smallUnit = (unit: Volumes) => (unit === "gal" ? "fl oz" : "mL");
/** mg in a liter of water are parts in a million. */
export const strengthUnit = (unit: Volumes) => (unit === "gal" ? "ppm" : "mg/L");

const NUMBER = "\\d+(?:\\.\\d+)?";

/** The volumes and strengths of a text in the other units. */
export function volumesIn(unit: Volumes, text: string): string {
  if (unit === "L" || !/L\b/.test(text)) {
    return text;
  }
  return text
    .replace(/mg\/L/g, "ppm")
    .replace(
      new RegExp(`(${NUMBER}) mL(?![\\p{L}/])`, "gu"),
      (_, ml) => `${smallVolumeIn(unit, Number(ml))} fl oz`,
    )
    .replace(new RegExp(`(${NUMBER}) L(?![\\p{L}/])`, "gu"), (_, l) => `${volumeIn(unit, Number(l))} gal`);
}
