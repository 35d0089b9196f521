import { NativeSelect, NumberInput } from "@mantine/core";
import { memo } from "react";
import type { Made } from "../round/core";
import { degrees, say, volumes } from "../shared/say";
import { celsiusOf, shownIn } from "../shared/temperature";
import { told } from "../shared/texts";
import { litresOf, millilitresOf, smallUnit, smallVolumeIn, volumeIn } from "../shared/volume";
import type { Container as Opened } from "../solution/container";
import type { Table } from "../solution/table";
import type { Asked } from "./asked";
import { Container } from "./Container";
import { ForTonight } from "./ForTonight";
import type { Put } from "./useAsked";
import { Vessel } from "./Vessel";

type Props = {
  table: Table;
  asked: Asked;
  /** What fresh mixes have told of the concentrate. */
  told?: { percent: number; mixes: number };
  /** The container from which is poured. */
  opened?: Opened;
  /** Absent for whoever may not write. */
  write?: (made: Made) => void;
  put: Put;
};

/** What is mixed: of what, in what, how much, how warm, and what reads it. */
export const WhatIsMixed = memo(function WhatIsMixed({
  table,
  asked,
  told: tells,
  opened,
  write,
  put,
}: Props) {
  const { product, vessel, litres, brim, celsius, ph, hold, stroke, fresh, hot, by, fits, wanted } = asked;
  const unit = degrees();
  const liquid = volumes();
  const kept = [
    fresh < 100 ? say("mixing.mixing.fresh-short", "{0} %", fresh) : "",
    hold > 0 ? say("mixing.mixing.hold-short", "{0} h", hold) : "",
    hot > 0 ? say("mixing.mixing.hot-short", "hot {0} {1}", shownIn(unit, hot), unit) : "",
  ]
    .filter((x) => x !== "")
    .join(", ");
  return (
    <section className="mixing-left" aria-label={say("mixing.mixing.what-is-mixed", "What is mixed")}>
      <ForTonight pack={table.pack} put={put} />
      <NativeSelect
        label={say("mixing.mixing.product", "Product")}
        data={table.pack.products.map((p) => ({ value: p.id, label: p.name }))}
        value={product.id}
        onChange={(e) => {
          put({ product: e.currentTarget.value, aim: null, by: null });
        }}
      />
      {table.pack.vessels.length > 0 && (
        <NativeSelect
          label={say("mixing.mixing.vessel", "Vessel")}
          data={table.pack.vessels.map((v) => ({
            value: v.id,
            label: say("mixing.mixing.vessel-brim", "{0}, {1} L to the brim", told(v.name), v.brim),
          }))}
          value={vessel?.id}
          onChange={(e) => put({ vessel: e.currentTarget.value, litres: null })}
        />
      )}
      <Vessel
        litres={litres}
        brim={brim}
        name={told(vessel?.name ?? "")}
        onLitres={(l) => put({ litres: l })}
      />
      <div className="mixing-pair">
        <NumberInput
          label={
            liquid === "gal" ? say("mixing.mixing.gallons", "Gallons") : say("mixing.mixing.liters", "Liters")
          }
          value={volumeIn(liquid, litres)}
          min={0}
          onChange={(v) => typeof v === "number" && put({ litres: litresOf(liquid, v) })}
        />
        <NumberInput
          label={say("mixing.mixing.temperature", "Water, {0}", unit)}
          value={shownIn(unit, celsius)}
          onChange={(v) => typeof v === "number" && put({ t: celsiusOf(unit, v) })}
        />
      </div>
      {product.sanitizes && (
        <>
          <NumberInput
            label={say("mixing.mixing.ph", "pH of the mixed solution")}
            description={say(
              "mixing.mixing.ph-unread",
              "Tap {0}; concentrate raises it. Not read? Leave it empty.",
              table.pack.ph,
            )}
            decimalScale={1}
            value={ph ?? ""}
            onChange={(v) => put({ ph: v === "" ? "" : v })}
          />
          {by ? (
            <NativeSelect
              label={say("mixing.mixing.read-with", "Read with")}
              data={fits.map((i) => ({ value: i.id, label: told(i.name) }))}
              value={by.id}
              onChange={(e) => {
                put({ by: e.currentTarget.value });
              }}
            />
          ) : (
            <p className="note stop">
              {say("mixing.mixing.nothing-reads", "This site has nothing that reads {0}.", product.name)}
            </p>
          )}
        </>
      )}
      <details className="mixing-more">
        <summary>
          {say("mixing.mixing.concentrate-and-taps", "Concentrate, hours, taps")}
          {kept !== "" && <span>{kept}</span>}
        </summary>
        {product.sanitizes && (
          <div className="mixing-pair">
            <NumberInput
              label={say("mixing.mixing.hold", "To last, hours")}
              min={0}
              max={24}
              value={hold}
              onChange={(v) => typeof v === "number" && put({ hold: v })}
            />
            <NumberInput
              label={say("mixing.mixing.pump-stroke", "Stroke, {0}", smallUnit(liquid))}
              min={0}
              max={smallVolumeIn(liquid, 500)}
              value={smallVolumeIn(liquid, stroke)}
              onChange={(v) => typeof v === "number" && put({ stroke: millilitresOf(liquid, v) })}
            />
          </div>
        )}
        {product.sanitizes && (
          <NumberInput
            label={say("mixing.mixing.fresh", "Concentrate, % of its strength when new")}
            description={
              product.kind === "CHLORINE"
                ? say("mixing.mixing.fades", "Hypochlorite loses a percent or more a week, faster when warm.")
                : undefined
            }
            min={10}
            max={100}
            value={fresh}
            onChange={(v) =>
              put({
                fresh:
                  typeof v === "number" && v <= 100 && v >= 10 && v !== (opened?.percent ?? 100) ? v : null,
              })
            }
          />
        )}
        {product.sanitizes && <Container key={product.id} product={product} opened={opened} write={write} />}
        {product.sanitizes &&
          tells &&
          tells.percent !== fresh &&
          tells.percent >= 10 &&
          tells.percent < 100 && (
            <p className="quiet">
              {say(
                "mixing.mixing.concentrate-told",
                "By the first readings of {0, plural, one {your last fresh mix} other {your last # fresh mixes}} it has {1} % left.",
                tells.mixes,
                tells.percent,
              )}{" "}
              <button className="btn small" type="button" onClick={() => put({ fresh: tells.percent })}>
                {say("mixing.mixing.dose-by-that", "Dose by that")}
              </button>
            </p>
          )}
        <NumberInput
          label={say("mixing.mixing.hot-tap", "Hot tap, {0}, if it is blended", unit)}
          value={hot > 0 ? shownIn(unit, hot) : ""}
          onChange={(v) => put({ hot: typeof v === "number" ? celsiusOf(unit, v) : null })}
        />
      </details>
      {wanted !== undefined && (
        <button className="btn small" type="button" onClick={() => put({ aim: null })}>
          {say("mixing.mixing.aim-for-me", "Choose the aim for me")}
        </button>
      )}
    </section>
  );
});
