import type { Step } from "../ribbon/draft";
import { say } from "../shared/say";
import { told } from "../shared/texts";
import { type Card, readersOf, useTable } from "../solution/table";

type Props = { step: Step; onAim: (strength: { value: number; unit: string }) => void };
type Quantity = { value: number; unit: string };

const LITERS: Record<string, number> = { L: 1, mL: 0.001, gal: 3.785411784 };

/** Beside the strength of a sanitizer: the lowest that is surely read as enough, and from where to where it is. */
export function Aim({ step, onAim }: Props) {
  const { table } = useTable();
  const product = table?.pack.products.find((p) => p.id === step.chemical);
  const at = step.temperature as Quantity | undefined;
  if (!table || !product?.sanitizes || !at) {
    return null;
  }
  const celsius = at.unit === "°F" ? (at.value - 32) / 1.8 : at.value;
  const volume = step.volume as Quantity | undefined;
  const litres = (volume?.value ?? 10) * (LITERS[volume?.unit ?? "L"] ?? 1);
  const cards = readersOf(table.pack, product).map((i) => ({
    by: i,
    card: table.mix({
      product: product.id,
      litres,
      brim: litres,
      celsius,
      ph: step.ph,
      rinseAfter: table.pack.rinseAfter,
      instrument: i.id,
      hold: 0,
      fade: 0,
    }),
  }));
  const best = cards
    .filter((c): c is { by: (typeof cards)[number]["by"]; card: Card } => c.card.outside === undefined)
    .filter((c) => c.card.problems.length === 0 && c.card.target !== undefined)
    .sort((a, b) => (a.card.target ?? 0) - (b.card.target ?? 0))[0];
  if (!best?.card.target) {
    return null;
  }
  const aim = Math.round(best.card.target);
  const now = step.strength as Quantity | undefined;
  return (
    <p className="aim">
      {say(
        "procedures.aim.decides",
        "{0} decides from {1} to {2} mg/L here.",
        told(best.by.name),
        Math.round(best.card.low ?? 0),
        Math.round(best.card.high ?? 0),
      )}{" "}
      {!(now?.unit === "mg/L" && now.value === aim) && (
        <button className="btn small" type="button" onClick={() => onAim({ value: aim, unit: "mg/L" })}>
          {say("procedures.aim.use", "Aim at {0} mg/L", aim)}
        </button>
      )}
    </p>
  );
}
