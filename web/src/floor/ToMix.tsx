import { useState } from "react";
import type { PackStep } from "../round/core";
import { Figure } from "../round/Dials";
import { say, volumes } from "../shared/say";
import { sentence } from "../shared/texts";
import { litresOf, volumeIn } from "../shared/volume";
import { Pour } from "../solution/Pour";
import { useTable } from "../solution/table";

type Mix = NonNullable<PackStep["mix"]>;

/** How the solution of a step is mixed, for as many liters as are really there. */
export function ToMix({ mix }: { mix: Mix }) {
  const { pack, table } = useTable();
  const liquid = volumes();
  const [liters, setLiters] = useState(String(Math.round(volumeIn(liquid, mix.litres) * 10) / 10));
  const product = table?.pack.products.find((p) => p.id === mix.product);
  if (!table || !product) {
    return pack.isError || (table && !product) ? (
      <p className="floor-caution">
        {say(
          "floor.to-mix.not-known",
          "This tablet does not know how much goes in. Take it from the card over the sink, or ask.",
        )}
      </p>
    ) : null;
  }
  // By volume the bench takes a cleaner's share, and a sanitizer's as the strength that it makes.
  const share = mix.percent
    ? (product.sanitizes ? (product.stockMgPerL ?? 0) / 100 : 10_000) * mix.percent
    : undefined;
  const wanted = mix.mgPerL ?? share;
  if (!wanted || (mix.mgPerL && !product.sanitizes)) {
    return null;
  }
  const there = litresOf(liquid, Number(liters.replace(",", ".")));
  const vessel = table.pack.vessels.find((v) => v.name === mix.vessel || v.id === mix.vessel);
  const card = table.mix({
    product: mix.product,
    litres: there,
    brim: vessel?.brim ?? Math.max(there, mix.litres),
    celsius: mix.celsius ?? table.pack.tapCelsius,
    ph: mix.ph ?? undefined,
    rinseAfter: table.pack.rinseAfter,
    hold: 0,
    fade: 0,
    wanted,
    leastMgPerL: mix.leastMgPerL ?? undefined,
    mostMgPerL: mix.mostMgPerL ?? undefined,
  });
  return (
    <section className="to-mix" aria-label={say("floor.to-mix.to-mix", "To mix")}>
      <h3>{say("floor.to-mix.to-mix", "To mix")}</h3>
      <Figure
        label={say("floor.to-mix.how-much-is-there", "How much is there")}
        unit={liquid}
        step={1}
        value={liters}
        onChange={setLiters}
      />
      <div>
        {card.outside !== undefined ? (
          <p className="note stop">{sentence(card.outside)}</p>
        ) : (
          <Pour card={card} product={product} short />
        )}
      </div>
    </section>
  );
}
