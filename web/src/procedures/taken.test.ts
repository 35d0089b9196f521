import { expect, test } from "vitest";
import { begin, typedLines } from "./taken";

const reading = (line: number, text: string, notation?: string) => ({
  line,
  text,
  notation,
  missing: [],
  why: notation ? undefined : { id: "", english: "not understood", args: [] },
});

test("notes go with the step before them, early ones with the first", () => {
  const rows = begin([
    reading(1, "Wear gloves"),
    reading(2, "Unplug it", "Isolate Motor"),
    reading(3, "Never spray"),
    reading(4, "Wash pusher", "Wash Pusher"),
  ]);
  expect(typedLines(rows)).toEqual([
    { line: "Isolate Motor", words: "Wear gloves – Unplug it – Never spray" },
    { line: "Wash Pusher", words: "Wash pusher" },
  ]);
});

test("notes alone make no step", () => {
  expect(typedLines(begin([reading(1, "Wear gloves")]))).toEqual([]);
});
