export const ROW = 25;
export const PHASE_ROW = 22;

export type Row =
  | { kind: "phase"; phase: string; first: number; last: number }
  | { kind: "step"; index: number };

/** Steps under their phases; a folded phase is one line. Consecutive steps of one phase belong together. */
export function rowsOf(phases: string[], folded: Set<string>): Row[] {
  const rows: Row[] = [];
  for (let i = 0; i < phases.length; ) {
    let j = i;
    while (j + 1 < phases.length && phases[j + 1] === phases[i]) {
      j++;
    }
    rows.push({ kind: "phase", phase: phases[i], first: i, last: j });
    if (!folded.has(phases[i])) {
      for (let k = i; k <= j; k++) {
        rows.push({ kind: "step", index: k });
      }
    }
    i = j + 1;
  }
  return rows;
}

/** The y of the middle of each step, whether it is shown or folded away into its phase's line. */
export function middles(rows: Row[], count: number): { mid: number[]; height: number } {
  const mid = new Array<number>(count).fill(0);
  let y = 0;
  for (const r of rows) {
    if (r.kind === "phase") {
      for (let k = r.first; k <= r.last; k++) {
        mid[k] = y + PHASE_ROW / 2;
      }
      y += PHASE_ROW;
    } else {
      mid[r.index] = y + ROW / 2;
      y += ROW;
    }
  }
  return { mid, height: y };
}
