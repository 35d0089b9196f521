import "./pour.css";
import { say } from "../shared/say";
import { sentence, told } from "../shared/texts";
import type { Card, Product } from "./table";

const INTO_WATER = ["CAUSTIC", "ACID"];

/** Water first, then so much of the concentrate. */
type Props = {
  card: Card;
  product: Product;
  /** Only what goes in and what it gives. */
  short?: boolean;
};

/** How a solution is mixed, in the order of the hands. */
export function Pour({ card, product, short = false }: Props) {
  const round = (x: number) => Math.round(x * 100) / 100;
  const tidy = (mgPerL: number) => (mgPerL < 20 ? Math.round(mgPerL * 10) / 10 : Math.round(mgPerL));
  return (
    <>
      {card.problems.map((p) => (
        <p key={p.id} className="note stop">
          {sentence(p)}
        </p>
      ))}
      {card.concentrateMl !== undefined && card.problems.length === 0 && (
        <>
          <ol className="pour">
            <li>
              {say("mixing.pour.water-first", "Water first")}{" "}
              <strong>{say("mixing.pour.liters", "{0} L", Math.round(card.water * 10) / 10)}</strong>
            </li>
            <li>
              {product.name}{" "}
              <strong className="pour-big">
                {say("mixing.pour.milliliters", "{0} mL", round(card.concentrateMl))}
              </strong>
              {card.strokes !== undefined && (
                <span>
                  {say(
                    "mixing.pour.or-strokes",
                    "or {0, plural, one {# whole stroke} other {# whole strokes}} of the pump: {1} mg/L",
                    card.strokes,
                    tidy(card.strokesGive ?? 0),
                  )}
                </span>
              )}
            </li>
            <li>
              {product.sanitizes
                ? say("mixing.pour.stir", "Stir, wait one minute, read it.")
                : say("mixing.pour.stir-even", "Stir until it is even.")}
            </li>
          </ol>
          <p className="note done">
            {card.percent !== undefined
              ? say("mixing.pour.percent", "It is then {0} % of {1}.", round(card.percent), product.name)
              : say("mixing.pour.then", "It is then {0} mg/L.", tidy(card.then ?? 0))}{" "}
            {card.contactSeconds !== undefined &&
              say("mixing.pour.keep-wet", "Keep surfaces wet for {0} s.", card.contactSeconds)}
          </p>
          {INTO_WATER.includes(product.kind) && (
            <p className="note stop">
              {say(
                "mixing.pour.never-water",
                "Into the water, never water onto it: it boils up and splashes.",
              )}
            </p>
          )}
        </>
      )}
      {!short && product.ppe.length > 0 && (
        <p>
          <strong>{say("mixing.pour.wear", "Wear:")}</strong> {product.ppe.map(told).join(", ")}
        </p>
      )}
      {product.neverWith.length > 0 && (
        <p>
          <strong>{say("mixing.pour.never-with", "Never with:")}</strong>{" "}
          {product.neverWith.map(told).join("; ")}
        </p>
      )}
      {!short && card.concentrateMl !== undefined && product.pricePerLitre > 0 && (
        <p className="quiet">
          {say(
            "mixing.pour.cost",
            "Cost of this: {0}",
            round((card.concentrateMl / 1000) * product.pricePerLitre),
          )}
        </p>
      )}
    </>
  );
}
