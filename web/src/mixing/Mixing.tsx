import "./mixing.css";
import { Checkbox, NativeSelect, NumberInput } from "@mantine/core";
import { useEffect, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { message } from "../api/client";
import { Figure, StrengthDial } from "../round/Dials";
import * as enter from "../round/entries";
import { FromMeter } from "../round/FromMeter";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { degrees, say, volumes } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { measureIn } from "../shared/settings";
import { celsiusOf, shownIn } from "../shared/temperature";
import { sentence, told } from "../shared/texts";
import { litresOf, millilitresOf, smallUnit, smallVolumeIn, type Volumes, volumeIn } from "../shared/volume";
import { Pour } from "../solution/Pour";
import { registerOf } from "../solution/register";
import { correctedSinceRead, fading, newLabel, type Solution, solutionsOf } from "../solution/shelf";
import {
  type Card,
  type Checked,
  type Job,
  type Pack,
  type Product,
  readersOf,
  type Table,
  useTable,
  type Way,
} from "../solution/table";
import { Calculations } from "./Calculations";
import { Ground } from "./Ground";
import { Register } from "./Register";
import { Shelf } from "./Shelf";
import { Vessel } from "./Vessel";

const number = (text: string | null, otherwise: number) => {
  const n = Number(text);
  return text !== null && text !== "" && Number.isFinite(n) ? n : otherwise;
};

/** The mixing bench: what to pour, what a reading says, what to do about it, and what stands on the shelf. */
export default function Mixing() {
  const { pack, table } = useTable();
  const [params, setParams] = useSearchParams();
  const show = params.get("show") ?? (params.get("label") ? "shelf" : "mix");
  if (pack.isError && !table) {
    return (
      <main className="page-state" role="alert">
        <h1>{say("mixing.mixing.cannot-be-shown", "The mixing bench cannot be shown")}</h1>
        <p>{message(pack.error)}</p>
        <button className="btn" type="button" onClick={() => pack.refetch()}>
          {say("mixing.mixing.try-again", "Try again")}
        </button>
      </main>
    );
  }
  if (!table) {
    return (
      <main className="page-state">
        <h1>{say("mixing.mixing.loading", "Loading products, vessels and instruments…")}</h1>
      </main>
    );
  }
  const go = (to: string) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      next.set("show", to);
      next.delete("label");
      return next;
    });
  const tabs: [string, string][] = [
    ["mix", say("mixing.mixing.mix-and-check", "Mix and check")],
    ["shelf", say("mixing.mixing.solutions", "Solutions on site")],
    ["instruments", say("mixing.mixing.instruments", "Instruments")],
    ["calc", say("mixing.mixing.calculations", "Calculations")],
  ];
  return (
    <main className="mixing">
      <div className="mixing-head">
        <div className="mixing-tabs" role="tablist">
          {tabs.map(([id, name]) => (
            <button key={id} type="button" role="tab" aria-selected={show === id} onClick={() => go(id)}>
              {name}
            </button>
          ))}
        </div>
        <label className="mixing-units">
          {say("mixing.mixing.units", "Units")}{" "}
          <select value={volumes()} onChange={(e) => measureIn(e.currentTarget.value as Volumes)}>
            <option value="L">L, mL, mg/L</option>
            <option value="gal">gal, fl oz, ppm</option>
          </select>
        </label>
      </div>
      {show === "shelf" ? (
        <Shelf table={table} />
      ) : show === "instruments" ? (
        <Register table={table} />
      ) : show === "calc" ? (
        <Calculations table={table} />
      ) : table.pack.products.length === 0 ? (
        <p className="page-state">
          {say(
            "mixing.mixing.no-products",
            "This site has no product to mix yet. Enter them under Chemicals first.",
          )}
        </p>
      ) : (
        <Mix table={table} params={params} setParams={setParams} />
      )}
    </main>
  );
}

type MixProps = {
  table: Table;
  params: URLSearchParams;
  setParams: ReturnType<typeof useSearchParams>[1];
};

function Mix({ table, params, setParams }: MixProps) {
  const session = useSession().data;
  const clock = useClock();
  const unit = degrees();
  const liquid = volumes();
  const { pack } = table;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const product = pack.products.find((p) => p.id === params.get("product")) ?? pack.products[0];
  const vessel = pack.vessels.find((v) => v.id === params.get("vessel")) ?? pack.vessels[0];
  const brim = vessel?.brim ?? 40;
  const litres = number(params.get("litres"), Math.min(brim, Math.round(brim * 0.66)));
  const celsius = number(params.get("t"), 20);
  const ph = params.get("ph") === "" ? undefined : number(params.get("ph"), pack.ph + 0.6);
  const hold = number(params.get("hold"), 0);
  const stroke = number(params.get("stroke"), 0);
  const register = useMemo(() => registerOf(pack, site.newest, tabletNow()), [pack, site.newest]);
  const believed = (id: string) => register.find((r) => r.id === id);
  // What failed its check, or has expired, decides nothing.
  const fits = readersOf(pack, product).filter((i) => believed(i.id)?.usable !== false);
  const by = fits.find((i) => i.id === params.get("by")) ?? fits[0];
  const wanted = params.get("aim") ? number(params.get("aim"), 0) : undefined;
  const [seen, setSeen] = useState("");
  const [seenAt, setSeenAt] = useState("");
  const [done, setDone] = useState<string | null>(null);
  const hot = number(params.get("hot"), 0);
  const fresh = number(params.get("fresh"), 100);

  // The address follows; it can be sent to somebody, and a reload loses nothing.
  const put = (to: Record<string, string | number | null>) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        for (const [k, v] of Object.entries(to)) {
          if (v === null) {
            next.delete(k);
          } else {
            next.set(k, String(v));
          }
        }
        return next;
      },
      { replace: true },
    );

  const solutions = useMemo(() => solutionsOf(site.newest, tabletNow()), [site.newest]);
  const fade = useMemo(() => fadeOf(table, solutions, product), [table, solutions, product]);
  const job: Job = {
    product: product.id,
    litres,
    brim,
    celsius,
    ph,
    rinseAfter: pack.rinseAfter,
    instrument: by?.id,
    hold,
    fade: fade ?? 0,
    strokeMl: stroke > 0 ? stroke : undefined,
    stockMgPerL: product.stockMgPerL && fresh !== 100 ? (product.stockMgPerL * fresh) / 100 : undefined,
    wanted: wanted === undefined ? undefined : product.sanitizes ? wanted : wanted * 10_000,
  };
  const mixed = table.mix(job);
  const card = mixed.outside === undefined ? (mixed as Card) : undefined;
  const s = seen.trim() === "" ? Number.NaN : Number(seen.replace(",", "."));
  const st = seenAt.trim() === "" ? celsius : celsiusOf(unit, Number(seenAt.replace(",", ".")));
  const read =
    product.sanitizes && Number.isFinite(s) && Number.isFinite(st) ? table.check(job, s, st) : undefined;
  const checked = read && read.outside === undefined ? (read as Checked) : undefined;

  const standing = vessel && solutions.find((x) => x.vessel === vessel.id && x.emptiedAt === undefined);
  const mine = standing?.label !== undefined && standing.chemical === product.id ? standing : undefined;
  const waits = mine && correctedSinceRead(mine) ? mine.corrections.at(-1) : undefined;
  const may = session?.role === "CREW" || session?.role === "SUPERVISOR";

  useEffect(() => {
    if (site.refusal) {
      setDone(null);
    }
  }, [site.refusal]);

  function made() {
    if (!card || !vessel) {
      return;
    }
    const label = newLabel();
    const until = tabletNow() + product.lifeMinutes * 60_000;
    site.write(
      enter.solutionMade({
        vessel: vessel.id,
        chemical: product.id,
        litres,
        mgPerL: card.then,
        label,
        celsius,
        until,
      }),
    );
    setDone(say("mixing.mixing.made", "Written down: label {0}, change by {1}.", label, clock.time(until)));
  }

  return (
    <div className="mixing-body">
      <section className="mixing-left" aria-label={say("mixing.mixing.what-is-mixed", "What is mixed")}>
        <NativeSelect
          label={say("mixing.mixing.product", "Product")}
          data={pack.products.map((p) => ({ value: p.id, label: p.name }))}
          value={product.id}
          onChange={(e) => {
            setSeen("");
            put({ product: e.currentTarget.value, aim: null, by: null });
          }}
        />
        {pack.vessels.length > 0 && (
          <NativeSelect
            label={say("mixing.mixing.vessel", "Vessel")}
            data={pack.vessels.map((v) => ({
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
              liquid === "gal"
                ? say("mixing.mixing.gallons", "Gallons")
                : say("mixing.mixing.liters", "Liters")
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
                pack.ph,
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
                  setSeen("");
                  put({ by: e.currentTarget.value });
                }}
              />
            ) : (
              <p className="note stop">
                {say("mixing.mixing.nothing-reads", "This site has nothing that reads {0}.", product.name)}
              </p>
            )}
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
          </>
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
            onChange={(v) => put({ fresh: typeof v === "number" && v < 100 && v >= 10 ? v : null })}
          />
        )}
        <NumberInput
          label={say("mixing.mixing.hot-tap", "Hot tap, {0}, if it is blended", unit)}
          value={hot > 0 ? shownIn(unit, hot) : ""}
          onChange={(v) => put({ hot: typeof v === "number" ? celsiusOf(unit, v) : null })}
        />
        {wanted !== undefined && (
          <button className="btn small" type="button" onClick={() => put({ aim: null })}>
            {say("mixing.mixing.aim-for-me", "Choose the aim for me")}
          </button>
        )}
      </section>

      <section className="mixing-middle" aria-label={say("mixing.mixing.where-it-stands", "Where it stands")}>
        <h1>{say("mixing.mixing.where-this-solution-stands", "Where this solution stands")}</h1>
        {card && product.sanitizes && card.bands.length > 0 ? (
          <>
            <p className="quiet">
              {say(
                "mixing.mixing.ground-says",
                "Pale ground: permitted for {0} s of wet contact. Inner field: a reading with {1} decides there. Drag the aim.",
                card.contactSeconds ?? "–",
                told(by?.name ?? "–"),
              )}
            </p>
            <Ground
              card={card}
              celsius={celsius}
              checked={checked}
              readCelsius={st}
              way={checked?.ways[0]}
              what={WHAT[product.kind] ?? product.name}
              onPick={(mg, c) => put({ aim: mg, t: c })}
            />
            {card.why && <p>{sentence(card.why)}</p>}
            {hold > 0 && <p className="quiet">{fadeWords(fade)}</p>}
          </>
        ) : (
          card?.why && <p className="mixing-words">{sentence(card.why)}</p>
        )}
        {product.sanitizes && by && (
          <div className="mixing-check">
            <h2>{say("mixing.mixing.check", "Check")}</h2>
            {(believed(by.id)?.standing ?? "GOOD") !== "GOOD" && (
              <p className="note stop">
                {say("mixing.mixing.check-it-first", "{0}: nobody has checked it lately.", told(by.name))}{" "}
                <Link to={`/mixing?show=instruments&instrument=${by.id}`}>
                  {say("mixing.mixing.to-its-check", "To its check")}
                </Link>
              </p>
            )}
            <div className="mixing-dials">
              <StrengthDial
                by={by}
                label={say("mixing.mixing.it-shows", "It shows")}
                value={seen}
                onChange={setSeen}
              />
              <Figure
                label={say("mixing.mixing.thermometer", "Thermometer")}
                unit={unit}
                step={1}
                value={seenAt}
                onChange={setSeenAt}
              />
              <FromMeter
                desk
                fits={(m) => m.id === by.id}
                near={card?.then ?? 100}
                onRead={(v) => setSeen(String(v))}
              />
            </div>
            {read?.outside !== undefined && <p className="note stop">{told(read.outside)}</p>}
          </div>
        )}
      </section>

      <section
        className="mixing-right"
        aria-label={say("mixing.mixing.do-this", "Do this")}
        aria-live="polite"
      >
        <h2>
          {say("mixing.mixing.do-this", "Do this")}
          <span className="only-print">
            {" "}
            {product.name}, {told(vessel?.name ?? "")}, {shownIn(unit, celsius)} {unit}
          </span>
        </h2>
        {mixed.outside !== undefined && <p className="note stop">{told(mixed.outside)}</p>}
        {card && !checked && (
          <>
            <Pour card={card} product={product} />
            <Taps table={table} hot={hot} cold={pack.tapCelsius} celsius={celsius} litres={card.water} />
            {card.problems.length === 0 && card.concentrateMl !== undefined && (
              <button className="btn small no-print" type="button" onClick={() => window.print()}>
                {say("mixing.mixing.print-card", "Print this for the wall")}
              </button>
            )}
          </>
        )}
        {checked && <Mend checked={checked} product={product} litres={litres} />}
        {checked && by && stuck(solutions, by.id, s, mine?.label) && (
          <p className="note stop">
            {say(
              "mixing.mixing.stuck",
              "{0} has shown exactly {1} mg/L in other solutions before. Read with a second one before you believe it.",
              told(by.name),
              s,
            )}
          </p>
        )}
        {site.refusal && (
          <p className="note stop" role="alert">
            {site.refusal}
          </p>
        )}
        {done && !site.refusal && (
          <p className="note done" role="status">
            {done}
          </p>
        )}
        {waits && !checked && (
          <p className="note stop">
            {say(
              "mixing.mixing.corrected-by",
              "{0} corrected it at {1}, and nobody has read it since. Read it before anything else goes in.",
              waits.who,
              clock.time(waits.at),
            )}
          </p>
        )}
        {standing && !mine && (
          <p className="note stop">
            {say(
              "mixing.mixing.vessel-holds",
              "{0} still holds {1}, made {2}. Empty it and wash it out first.",
              told(vessel?.name ?? ""),
              nameOf(pack, standing.chemical),
              clock.time(standing.at),
            )}
          </p>
        )}
        {may && (
          <div className="mixing-acts">
            {!checked && !standing && (
              <button
                className="btn main"
                type="button"
                disabled={!card || card.problems.length > 0 || !vessel || card.concentrateMl === undefined}
                onClick={made}
              >
                {say("mixing.mixing.i-mixed-it", "I mixed it: write it down")}
              </button>
            )}
            {checked && mine?.label && by && (
              <button
                className="btn main"
                type="button"
                onClick={() => {
                  site.write(enter.solutionRead(mine.label ?? "", by.id, s, st, tabletNow()));
                  setDone(say("mixing.mixing.reading-kept", "Reading written down for {0}.", mine.label));
                }}
              >
                {say("mixing.mixing.keep-reading", "Write the reading down for {0}", mine.label)}
              </button>
            )}
            {checked && mine?.label && checked.ways[0] && WAYS[checked.ways[0].kind] && (
              <button
                className="btn"
                type="button"
                onClick={() => {
                  const w = checked.ways[0];
                  // A correction answers a reading; so it stands before it.
                  const kept = mine.readings.at(-1);
                  if (by && (waits || kept?.mgPerL !== s || kept?.celsius !== st)) {
                    site.write(enter.solutionRead(mine.label ?? "", by.id, s, st, tabletNow()));
                  }
                  site.write(
                    enter.solutionCorrected(
                      mine.label ?? "",
                      WAYS[w.kind] ?? "",
                      w.litres,
                      w.drained,
                      tabletNow(),
                    ),
                  );
                  put({ litres: Math.min(brim, Math.round((litres - w.drained + w.litres) * 100) / 100) });
                  setSeen("");
                  setDone(
                    say("mixing.mixing.corrected", "Written down. Stir, wait a minute and read again."),
                  );
                }}
              >
                {say("mixing.mixing.i-did-it", "I did it: read again")}
              </button>
            )}
            {standing && (
              <Emptied
                onEmptied={(rinsed) => {
                  site.write(enter.vesselEmptied(standing.vessel, rinsed));
                  setSeen("");
                  setDone(
                    say("mixing.mixing.emptied", "Written down: {0} is empty.", told(vessel?.name ?? "")),
                  );
                }}
              />
            )}
            {mine?.label && (
              <a
                className="btn"
                href={`/api/prints/solutions/${mine.label}.pdf?paper=A6`}
                target="_blank"
                rel="noreferrer"
              >
                {say("mixing.mixing.print-label", "Print label {0}", mine.label)}
              </a>
            )}
          </div>
        )}
        <p className="quiet mixing-foot">
          {say(
            "mixing.mixing.label-first",
            "The label of the product and the local code come first. Read it before use, whatever was computed here.",
          )}
        </p>
      </section>
    </div>
  );
}

/** How fast a product fades here, per hour, by the newest solution that tells; undefined where none does. */
function fadeOf(table: Table, solutions: Solution[], product: Product): number | undefined {
  const told = solutions
    .filter((x) => x.chemical === product.id && fading(x).length > 1)
    .sort((a, b) => b.at - a.at)[0];
  if (!told || !product.leastMgPerL) {
    return undefined;
  }
  const readings = fading(told);
  const answer = table.compute("fade", {
    readings: readings.map((r) => `${(r.at - readings[0].at) / 3_600_000}h:${r.mgPerL}mg/L`).join(","),
    minimum: `${product.leastMgPerL}mg/L`,
  });
  const k = answer.message === undefined ? (answer.also.k as { value: number } | undefined) : undefined;
  return k && k.value > 0 ? k.value : undefined;
}

const fadeWords = (fade: number | undefined) =>
  fade === undefined
    ? say(
        "mixing.mixing.fade-unknown",
        "How fast it fades here is not known yet: read one solution twice, hours apart. Until then only the instrument is allowed for.",
      )
    : say(
        "mixing.mixing.fade-known",
        "By your own readings it loses {0} % an hour.",
        Math.round((1 - Math.exp(-fade)) * 1000) / 10,
      );

/** Whether a display has shown the same figure in two other solutions just before: it may be frozen. */
function stuck(solutions: Solution[], instrument: string, shows: number, label: string | undefined): boolean {
  const last = solutions
    .flatMap((x) => x.readings.map((r) => ({ ...r, label: x.label })))
    .filter((r) => r.instrument === instrument && r.label !== label)
    .sort((a, b) => b.at - a.at)
    .slice(0, 2);
  return last.length === 2 && last.every((r) => r.mgPerL === shows);
}

type TapsProps = { table: Table; hot: number; cold: number; celsius: number; litres: number };

/** How much comes from which tap, where the hot one is told. */
function Taps({ table, hot, cold, celsius, litres }: TapsProps) {
  if (hot <= 0 || litres <= 0) {
    return null;
  }
  const answer = table.compute("blend", {
    hot: `${hot}C`,
    cold: `${cold}C`,
    target: `${celsius}C`,
    volume: `${litres}L`,
  });
  const tenth = (x: number) => Math.round(x * 10) / 10;
  return answer.message !== undefined || !answer.result ? (
    <p className="note stop">{told(answer.message ?? "")}</p>
  ) : (
    <p>
      {say(
        "mixing.mixing.taps",
        "Of the water {0} L cold, then {1} L hot. Measure after filling: the vessel takes some heat.",
        tenth(litres - answer.result.value),
        tenth(answer.result.value),
      )}
    </p>
  );
}

const nameOf = (pack: Pack, id: string) => pack.products.find((p) => p.id === id)?.name ?? id;

const WHAT: Record<string, string> = {
  CHLORINE: say("mixing.mixing.free-chlorine", "free chlorine"),
  QUAT: say("mixing.mixing.active-quat", "active quat"),
  PAA: say("mixing.mixing.peracetic-acid", "peracetic acid"),
  IODINE: say("mixing.mixing.titratable-iodine", "titratable iodine"),
};

/** How a correction is called in the log. */
const WAYS: Partial<Record<Way["kind"], string>> = {
  ADD: "add",
  DRAIN_AND_ADD: "drain-and-add",
  WATER: "water",
  DRAIN_AND_FILL: "drain-and-fill",
  WARM: "warm",
};

function Emptied({ onEmptied }: { onEmptied: (rinsed: boolean) => void }) {
  const [rinsed, setRinsed] = useState(true);
  return (
    <div className="mixing-empty">
      <Checkbox
        label={say("mixing.mixing.washed-out", "washed out and rinsed")}
        checked={rinsed}
        onChange={(e) => setRinsed(e.currentTarget.checked)}
      />
      <button className="btn" type="button" onClick={() => onEmptied(rinsed)}>
        {say("mixing.mixing.it-is-empty", "It is poured out")}
      </button>
    </div>
  );
}

const OUTCOME: Record<Checked["outcome"], string> = {
  IN: say("mixing.mend.in-range", "In range: fit for use."),
  OUT: say("mixing.mend.out-of-range", "Out of range: not fit for use."),
  CANNOT_TELL: say("mixing.mend.cant-tell", "Can’t tell: too close to a limit for this instrument."),
};

function Mend({ checked, product, litres }: { checked: Checked; product: Product; litres: number }) {
  const unit = degrees();
  const round = (x: number) => Math.round(x * 10) / 10;
  const mL = (l: number) => Math.round(l * 1000);
  const words = (w: Way): string =>
    w.kind === "ADD"
      ? say("mixing.mend.add", "Add {0} mL of {1} to the {2} L", mL(w.litres), product.name, litres)
      : w.kind === "DRAIN_AND_ADD"
        ? say(
            "mixing.mend.drain-and-add",
            "Drain {0} mL, then add {1} mL of {2}",
            mL(w.drained),
            mL(w.litres),
            product.name,
          )
        : w.kind === "WATER"
          ? say("mixing.mend.water", "Add {0} L of water", w.litres)
          : w.kind === "DRAIN_AND_FILL"
            ? say("mixing.mend.drain-and-fill", "Drain {0} L and fill with water", w.drained)
            : w.kind === "WARM"
              ? say("mixing.mend.warm", "Warm it to {0} {1}", shownIn(unit, w.celsius ?? 0), unit)
              : say("mixing.mend.start-again", "Start again: pour it out and mix anew");
  return (
    <>
      <p className={`note ${checked.outcome === "IN" ? "done" : "stop"}`}>
        <strong>{OUTCOME[checked.outcome]}</strong>{" "}
        {checked.least !== undefined
          ? say(
              "mixing.mend.at-this-temperature",
              "It means {0} to {1} mg/L; at this temperature {2} to {3} mg/L are permitted.",
              round(checked.low),
              checked.high === undefined ? "…" : round(checked.high),
              checked.least,
              checked.most,
            )
          : say("mixing.mend.too-cold", "At this temperature no strength is enough.")}
      </p>
      {checked.ways.length > 0 && (
        <ol className="ways">
          {checked.ways.map((w, i) => (
            <li key={w.kind} className={i === 0 ? "first" : ""}>
              <span>{words(w)}</span>
              {w.low !== undefined && (
                <small>
                  {w.sure
                    ? say("mixing.mend.after", "then {0} to {1} mg/L", round(w.low), round(w.high ?? 0))
                    : say(
                        "mixing.mend.after-unsure",
                        "then {0} to {1} mg/L: not sure, read it with a finer one",
                        round(w.low),
                        round(w.high ?? 0),
                      )}
                </small>
              )}
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
