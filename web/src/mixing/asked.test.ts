import { describe, expect, it } from "vitest";
import type { Solution } from "../solution/shelf";
import type { Pack } from "../solution/table";
import { PACK } from "../testing/mixing";
import { aimFor, askedOf, concentrateOf, jobOf } from "./asked";
import { hoursAhead } from "./Where";

const pack = PACK as unknown as Pack;
const ask = (address: string) => askedOf(new URLSearchParams(address), pack, () => true);

describe("what the bench was asked", () => {
  it("has what holds where nothing was said", () => {
    const a = ask("");
    expect(a.product.id).toBe("halvern-h12");
    expect(a.litres).toBe(40);
    expect(a.celsius).toBe(20);
    expect(a.fresh).toBe(100);
    expect(a.wanted).toBeUndefined();
  });

  it("takes a pH that is left empty for not read, and no word for a number", () => {
    expect(ask("ph=").ph).toBeUndefined();
    expect(ask("ph=7.2").ph).toBe(7.2);
    expect(ask("litres=much&t=NaN").litres).toBe(40);
    expect(ask("litres=much&t=NaN").celsius).toBe(20);
  });

  it("decides by nothing that may not decide", () => {
    const none = askedOf(new URLSearchParams("by=probe-2"), pack, () => false);
    expect(none.by).toBeUndefined();
    expect(none.fits).toEqual([]);
  });

  it("asks the core in its own units", () => {
    const caustic = ask("product=lyebourne-c25&aim=2");
    expect(jobOf(caustic, pack, undefined).wanted).toBe(20_000);
    expect(aimFor(ask("").product, 120)).toBe(120);
    const weak = jobOf(ask("fresh=80"), pack, 0.1);
    expect(weak.stockMgPerL).toBe(117_000);
    expect(weak.fade).toBe(0.1);
    expect(jobOf(ask("stroke=0"), pack, undefined).strokeMl).toBeUndefined();
  });
});

describe("what fresh mixes tell of the concentrate", () => {
  const MADE = 1_000_000;
  const mix = (over: object) =>
    ({
      chemical: "halvern-h12",
      mgPerL: 100,
      at: MADE,
      readings: [{ at: MADE + 60_000, mgPerL: 90 }],
      corrections: [],
      ...over,
    }) as unknown as Solution;
  const product = ask("").product;

  it("is nothing where none was read soon, or it was corrected first", () => {
    expect(concentrateOf([], product)).toBeUndefined();
    expect(concentrateOf([mix({ readings: [] })], product)).toBeUndefined();
    expect(
      concentrateOf([mix({ readings: [{ at: MADE + 3_600_000, mgPerL: 60 }] })], product),
    ).toBeUndefined();
    expect(concentrateOf([mix({ corrections: [{ at: MADE + 30_000 }] })], product)).toBeUndefined();
    expect(concentrateOf([mix({ chemical: "other" })], product)).toBeUndefined();
    expect(concentrateOf([mix({ mgPerL: undefined })], product)).toBeUndefined();
  });

  it("is the mean of the newest three", () => {
    const at = (n: number, mgPerL: number) =>
      mix({ at: MADE + n, readings: [{ at: MADE + n + 60_000, mgPerL }] });
    expect(concentrateOf([at(1, 20), at(2, 90), at(3, 92), at(4, 94)], product)).toEqual({
      percent: 92,
      mixes: 3,
    });
  });
});

describe("the hours ahead", () => {
  it("fade hour by hour as far as it has to last, and are not told where nobody knows", () => {
    expect(hoursAhead(100, 0.1, 2.5).map(Math.round)).toEqual([90, 82, 78]);
    expect(hoursAhead(100, undefined, 2)).toEqual([]);
    expect(hoursAhead(undefined, 0.1, 2)).toEqual([]);
    expect(hoursAhead(100, 0.1, 0)).toEqual([]);
  });
});
