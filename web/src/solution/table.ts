import { useQuery } from "@tanstack/react-query";
import { by, type CompiledCalculator, type CompiledTable } from "orthopur-core/calculator.js";
import { useMemo } from "react";
import { api, type CoreText, type Schemas, unwrap } from "../api/client";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";

/*
 * The arithmetic of the bench is the core's, compiled; it answers here, with or without signal. What the site
 * mixes and reads with is kept on the device.
 */

export type Pack = Schemas["MixingPack"];
export type Product = Schemas["Product"];
export type Band = { from: number; least: number; most: number };
export type Card = {
  bands: Band[];
  low?: number;
  high?: number;
  target?: number;
  percent?: number;
  water: number;
  concentrateMl?: number;
  then?: number;
  strokes?: number;
  strokesGive?: number;
  contactSeconds?: number;
  why?: CoreText;
  problems: CoreText[];
  outside?: undefined;
};
export type Way = {
  kind: "ADD" | "DRAIN_AND_ADD" | "WATER" | "DRAIN_AND_FILL" | "WARM" | "START_AGAIN";
  litres: number;
  drained: number;
  celsius?: number;
  low?: number;
  high?: number;
  sure: boolean;
};
export type Checked = {
  outcome: "IN" | "OUT" | "CANNOT_TELL";
  low: number;
  /** Absent on the last mark of a strip: anything above. */
  high?: number;
  least?: number;
  most?: number;
  ways: Way[];
  outside?: undefined;
};
export type Job = {
  product: string;
  litres: number;
  brim: number;
  celsius: number;
  ph?: number;
  rinseAfter: boolean;
  instrument?: string;
  hold: number;
  fade: number;
  stockMgPerL?: number;
  strokeMl?: number;
  wanted?: number;
  /** What the label gives for a use beside food, such as a foot bath. */
  leastMgPerL?: number;
  mostMgPerL?: number;
};
export type Answer = {
  result?: { value: number; unit: string };
  also: Record<string, unknown>;
  verdict?: string;
  formula: CoreText;
  assumptions: CoreText[];
  said?: undefined;
};
/** What ends the life of a solution. */
export type Ends = "label" | "habit" | "fades" | "cools";
export type Seen = { at: number; mgPerL: number; celsius?: number };
export type ChangeBy = { at: number; why: Ends; outside?: undefined };
export type RefusedInput = { key: string; said: CoreText; allowed: CoreText };

export type Table = {
  pack: Pack;
  mix: (job: Job) => Card | { outside: CoreText };
  check: (job: Job, seen: number, celsius: number) => Checked | { outside: CoreText };
  compute: (name: string, inputs: Record<string, string>) => Answer | RefusedInput;
  /** Until when what was mixed may be used; the readings since it was mixed, or since it was last corrected. */
  changeBy: (
    job: Job,
    made: number,
    mixed: Seen | undefined,
    read: Seen[],
  ) => ChangeBy | { outside: CoreText };
  /** Percent of its strength that a concentrate has left. */
  stockLeft: (product: string, days: number, celsius: number) => number;
};

export function tableOf(pack: Pack): Table {
  const calculator: CompiledCalculator = by(pack.version, pack.figures);
  const table: CompiledTable = calculator.bench(pack);
  return {
    pack,
    mix: (job) => JSON.parse(table.mix(job)),
    check: (job, seen, celsius) => JSON.parse(table.check(job, seen, celsius)),
    changeBy: (job, made, mixed, read) => JSON.parse(table.changeBy({ ...job, made, mixed, read })),
    stockLeft: (product, days, celsius) => table.stockLeft(product, days, celsius),
    compute: (name, inputs) => JSON.parse(calculator.compute(name, inputs)),
  };
}

const READ = ["CHLORINE", "QUAT", "PAA", "IODINE"];

/** What of the site reads a product. */
export const readersOf = (pack: Pack, product: Product) =>
  pack.instruments.filter((i) => !i.measures || (READ.includes(product.kind) && i.measures === product.kind));

/** The bench of this site; undefined until it is known. */
export function useTable() {
  const pack = useQuery({
    queryKey: keys.mixing(),
    queryFn: () => heard("mixing", () => unwrap(api.GET("/api/mixing/pack"))),
  });
  const table = useMemo(() => (pack.data ? tableOf(pack.data) : undefined), [pack.data]);
  return { pack, table };
}
