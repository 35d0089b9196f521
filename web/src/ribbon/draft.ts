import type { Schemas } from "../api/client";

export type Doc = Schemas["ProcedureDocument"];
export type Step = Schemas["StepDocument"];
export type Edit = Schemas["EditDocument"];

/** Applies edits in order, as the server proposes them; a new document, the old one untouched. */
export function applyEdits(doc: Doc, edits: Edit[]): Doc {
  const steps = [...doc.steps];
  const at = (id: string | undefined) =>
    id === undefined ? steps.length : steps.findIndex((s) => s.id === id);
  for (const e of edits) {
    if (e.edit === "insert-before" && e.step) {
      steps.splice(at(e.before), 0, e.step);
    } else if (e.edit === "change" && e.step) {
      steps.splice(at(e.id), 1, e.step);
    } else if (e.edit === "delete") {
      steps.splice(at(e.id), 1);
    } else if (e.edit === "move") {
      const [moved] = steps.splice(at(e.id), 1);
      steps.splice(at(e.before), 0, moved);
    }
  }
  return { ...doc, steps };
}

export function freshId(doc: Doc): string {
  let n = doc.steps.length + 1;
  while (doc.steps.some((s) => s.id === `s${n}`)) {
    n++;
  }
  return `s${n}`;
}

/** Splits "62 mg/L" into number and unit; null where no number stands in front. Judges nothing. */
export function splitQuantity(text: string): Schemas["Quantity"] | null {
  const m = /^\s*([-+]?\d*[.,]?\d+(?:[eE][-+]?\d+)?)\s*(.*?)\s*$/.exec(text);
  return m ? { value: Number(m[1].replace(",", ".")), unit: m[2] } : null;
}

export function showQuantity(q: Schemas["Quantity"] | undefined): string {
  return q ? `${q.value} ${q.unit}`.trim() : "";
}
