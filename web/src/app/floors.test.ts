import { readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join, normalize, relative } from "node:path";
import { describe, expect, it } from "vitest";

/*
 * The house: what the server says below, then what all screens share, then the ribbon and a round, then what is mixed
 * and read, a folder a screen, and the way between them on top. An arrow goes down, never up and never across between two screens.
 */
const FLOORS: Record<string, number> = { api: 0, shared: 1, ribbon: 2, round: 2, solution: 3, app: 9 };
const SCREEN = 5;
const height = (room: string) => FLOORS[room] ?? SCREEN;

function files(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
}

const room = (path: string) => relative("src", path).split("/")[0];

describe("the floors of the house", () => {
  it("have stairs that go down only", () => {
    const up: string[] = [];
    const own = files("src").filter(
      (f) => /\.tsx?$/.test(f) && !/\.test\.|\.d\.ts$|testing|main\.tsx/.test(f),
    );
    for (const file of own) {
      for (const [, to] of readFileSync(file, "utf8").matchAll(/(?:from|import\() ?"(\.[^"]+)"/g)) {
        const there = room(normalize(join(dirname(file), to)));
        const here = room(file);
        if (there !== here && height(there) >= height(here)) {
          up.push(`${relative("src", file)} → ${there}`);
        }
      }
    }
    expect(up).toEqual([]);
  });
});
