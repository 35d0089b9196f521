import type { Schemas } from "../api/client";

/** A clause of an old text on its way to a step: the line it becomes, or null while it is a note. */
export type Taken = { line: string | null; reading: Schemas["ClauseView"] };

export const begin = (readings: Schemas["ClauseView"][]): Taken[] =>
  readings.map((reading) => ({ line: reading.notation ?? null, reading }));

/** The steps with their words. A note goes with the step before it, so that nothing of the text is lost. */
export function typedLines(rows: Taken[]): Schemas["Typed"][] {
  const lines: Schemas["Typed"][] = [];
  const early: string[] = [];
  for (const { line, reading } of rows) {
    const last = lines.at(-1);
    if (line !== null) {
      lines.push({ line, words: [...early.splice(0), reading.text].join(" – ") });
    } else if (last) {
      last.words = `${last.words} – ${reading.text}`;
    } else {
      early.push(reading.text);
    }
  }
  return lines;
}
