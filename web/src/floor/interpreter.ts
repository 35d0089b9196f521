import type { Schemas } from "../api/client";

/*
 * The generic interpreter of a reading. No threshold stands here: bands and marks come with the round
 * pack that the core compiled, and golden vectors hold this and the core to the same answers.
 */

export type Outcome = "IN" | "OUT" | "CANNOT_TELL";
export type Interval = { low: number; high: number };
type Band = Schemas["ReadingBand"];
type Instrument = Schemas["Instrument"];

/** What a display (value ± tolerance) or a strip (half-steps around a mark) can mean; null for no such mark. */
export function strengthInterval(instrument: Instrument, value: number): Interval | null {
  if (!(value >= 0 && value <= 1_000_000)) {
    return null;
  }
  const marks = instrument.steps;
  if (marks.length === 0) {
    return { low: Math.max(0, value - instrument.tolerance), high: value + instrument.tolerance };
  }
  const i = marks.indexOf(value);
  if (i < 0) {
    return null;
  }
  return {
    low: i === 0 ? marks[0] : (marks[i - 1] + marks[i]) / 2,
    high: i === marks.length - 1 ? Number.POSITIVE_INFINITY : (marks[i] + marks[i + 1]) / 2,
  };
}

function bandAt(bands: Band[], celsius: number): Band | null {
  let best: Band | null = null;
  for (const b of bands) {
    if (celsius >= b.fromCelsius && (best === null || b.leastMgPerL < best.leastMgPerL)) {
      best = b;
    }
  }
  return best;
}

/** Whether the whole of both intervals is inside, outside, or too close to call. Ends inclusive. */
export function judge(bands: Band[], strength: Interval, temperature: Interval): Outcome {
  const cold = bandAt(bands, temperature.low);
  if (cold && strength.low >= cold.leastMgPerL && strength.high <= cold.mostMgPerL) {
    return "IN";
  }
  const warm = bandAt(bands, temperature.high);
  if (!warm || strength.high < warm.leastMgPerL || strength.low > warm.mostMgPerL) {
    return "OUT";
  }
  return "CANNOT_TELL";
}

/** Whether all that a gauge can mean is inside the range of a check, outside, or too close to call. */
export function within(plan: Schemas["CheckPlan"], value: number): Outcome {
  const [least, most, off] = [Number(plan.least), Number(plan.most), plan.tolerance ?? 0];
  if (value - off >= least && value + off <= most) {
    return "IN";
  }
  return value + off < least || value - off > most ? "OUT" : "CANNOT_TELL";
}
