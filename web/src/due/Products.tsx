import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Made } from "../round/core";
import * as enter from "../round/entries";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { sentence } from "../shared/texts";
import { Listed } from "./Listed";
import { figure, STOCK } from "./words";

type Product = Schemas["ProductInStock"];
type Props = { products: Product[]; write: ((made: Made) => void) | undefined };

const UNITS = ["L", "kg", "pieces"];

/** What lies in stock of each product, and what has to be ordered. */
export function Products({ products, write }: Props) {
  return (
    <Listed
      title={say("due.products.title", "Products in stock")}
      none={say("due.products.none", "The site has no product yet.")}
      all={products}
    >
      {(p) => <One key={p.id} product={p} write={write} />}
    </Listed>
  );
}

function One({ product: p, write }: { product: Product; write: Props["write"] }) {
  const clock = useClock();
  const [typed, setTyped] = useState("");
  const [unit, setUnit] = useState(p.unit ?? "L");
  const amount = figure(typed);
  const good = amount !== undefined && amount >= 0;
  return (
    <li className={p.stock === "ORDER" || p.stock === "TOO_LATE" ? "off" : ""}>
      <span>
        <strong>{p.name}</strong>
        <small>
          {p.at === undefined
            ? ""
            : say("due.products.counted", "counted on {0} by {1}", clock.day(p.at), p.who ?? "")}
        </small>
      </span>
      <span>
        {STOCK[p.stock]}
        <small>
          {sentence(p.because)}
          {p.leadDays !== undefined &&
            say("due.products.takes", "; an order takes {0, plural, one {a day} other {# days}}", p.leadDays)}
        </small>
      </span>
      {write && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (good) {
              write(enter.stockCounted(p.id, amount, unit));
              setTyped("");
            }
          }}
        >
          <label>
            {say("due.products.in-stock", "In stock")}
            <span className="sr-only"> {p.name}</span>
            <input inputMode="decimal" value={typed} onChange={(e) => setTyped(e.currentTarget.value)} />
          </label>
          <select
            aria-label={say("due.products.unit", "Unit of {0}", p.name)}
            value={unit}
            onChange={(e) => setUnit(e.currentTarget.value)}
          >
            {UNITS.map((u) => (
              <option key={u} value={u}>
                {u === "pieces" ? say("due.products.pieces", "pieces") : u}
              </option>
            ))}
          </select>
          <button className="btn small" type="submit" disabled={!good}>
            {say("due.parts.enter", "Enter")}
          </button>
        </form>
      )}
    </li>
  );
}
