/*
 * Temperatures as this site's thermometers show them. Everything is kept and judged in °C; only what is shown
 * and typed changes. A whole or half °C has one decimal in °F at most, so nothing is rounded across a limit.
 */

export type Degrees = "°C" | "°F";

const tenth = (x: number) => Math.round(x * 10) / 10;

/** A figure in °C as it is shown. */
export const shownIn = (unit: Degrees, celsius: number): number =>
  unit === "°F" ? tenth(celsius * 1.8 + 32) : celsius;

/** A figure as it is typed, in °C to a hundredth; a thermometer shows tenths. */
export const celsiusOf = (unit: Degrees, typed: number): number =>
  unit === "°F" ? Math.round(((typed - 32) / 1.8) * 100) / 100 : typed;

const NUMBER = "-?\\d+(?:\\.\\d+)?";

/**
 * The temperatures of a text in another unit. Where a number before another belongs to a range is read
 * from the English: in other languages the word between may mean something else.
 */
export function textIn(unit: Degrees, text: string, english: string): string {
  if (unit === "°C" || !text.includes("°C")) {
    return text;
  }
  let out = text;
  for (const [, low, high] of english.matchAll(new RegExp(`(${NUMBER}) to (${NUMBER}) °C`, "g"))) {
    out = out.replace(
      new RegExp(`(?<![\\d.-])${low}( \\S+ )${high} °C`),
      (_, word) => `${shownIn(unit, Number(low))}${word}${shownIn(unit, Number(high))} °F`,
    );
  }
  return out.replace(
    new RegExp(`(${NUMBER}) °C`, "g"),
    (_, celsius) => `${shownIn(unit, Number(celsius))} °F`,
  );
}
