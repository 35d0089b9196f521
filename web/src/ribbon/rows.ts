export const ROW = 25;
export const PHASE_ROW = 22;

export type Row =
  | { kind: "phase"; phase: string; first: number; last: number }
  | { kind: "step"; index: number };

/** Steps under their phases; a folded phase is one line. Consecutive steps of one phase belong together. */
export function rowsOf(
  phases: string[],
  folded: ReadonlySet<string>,
  shown: (step: number) => boolean = () => true,
): Row[] {
  const rows: Row[] = [];
  for (let i = 0; i < phases.length; ) {
    let j = i;
    while (j + 1 < phases.length && phases[j + 1] === phases[i]) {
      j++;
    }
    rows.push({ kind: "phase", phase: phases[i], first: i, last: j });
    if (!folded.has(phases[i])) {
      for (let k = i; k <= j; k++) {
        if (shown(k)) {
          rows.push({ kind: "step", index: k });
        }
      }
    }
    i = j + 1;
  }
  return rows;
}

/** The y of the middle of each step; one that is not shown lies where the last shown one before it ends. */
export function middles(rows: Row[], count: number): { mid: number[]; height: number } {
  const mid = new Array<number>(count).fill(-1);
  let y = 0;
  for (const r of rows) {
    if (r.kind === "phase") {
      mid[r.first] = y + PHASE_ROW / 2;
      y += PHASE_ROW;
    } else {
      mid[r.index] = y + ROW / 2;
      y += ROW;
    }
  }
  for (let k = 1; k < count; k++) {
    if (mid[k] < 0) {
      mid[k] = mid[k - 1];
    }
  }
  return { mid, height: y };
}
