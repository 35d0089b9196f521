import type { Known } from "../round/core";
import type { Product, Table } from "./table";

const DAY = 86_400_000;

/** The container of concentrate from which is poured now. */
export type Container = {
  delivered: number;
  celsius: number;
  /** What it has left, in percent of its strength when delivered: an estimate by its age. */
  percent: number;
  /** Older than its label allows. */
  tooOld: boolean;
};

/** The one that was opened last; undefined where nobody has said. */
export function containerOf(
  table: Table,
  product: Product,
  newest: Known[],
  now: number,
): Container | undefined {
  const figure = (k: Known, name: string) => k.entry.figures.find((f) => f.name === name);
  const known = newest.find(
    (k) => k.entry.kind === "container-opened" && figure(k, "chemical")?.text === product.id,
  );
  const delivered = known && figure(known, "delivered")?.value;
  if (!known || delivered === undefined) {
    return undefined;
  }
  const celsius = figure(known, "stored")?.value ?? 20;
  const days = (now - delivered) / DAY;
  return {
    delivered,
    celsius,
    // A percent too few is read and thinned; a percent too many is too weak.
    percent: Math.max(1, Math.floor(table.stockLeft(product.id, days, celsius))),
    tooOld: (product.shelfLifeDays ?? 0) > 0 && days > product.shelfLifeDays,
  };
}
