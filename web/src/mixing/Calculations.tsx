import { TextInput } from "@mantine/core";
import { list } from "orthopur-core/calculator.js";
import { useEffect, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { CoreText } from "../api/client";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { siteNow } from "../shared/siteNow";
import { piece, sentence, told } from "../shared/texts";
import type { Answer, Table } from "../solution/table";
import { INPUTS, RESULTS } from "./calcWords";

/** What one wants to do, and the calculations for it, each with one that is worked. */
const GROUPS: [string, [string, string, Record<string, string>][]][] = [
  [
    say("mixing.calc.mix", "Mix"),
    [
      [
        "dilute",
        say("mixing.calc.dilute", "Concentrate for a solution"),
        { volume: "40L", target: "100mg/L", stock: "12.5%w/w", density: "1.17kg/L" },
      ],
      [
        "label-ratio",
        say("mixing.calc.label-ratio", "By the ratio on the label"),
        { volume: "10L", ratio: "2 fl oz per 10 gal" },
      ],
      [
        "strokes",
        say("mixing.calc.strokes", "Whole pump strokes"),
        {
          volume: "40L",
          target: "130mg/L",
          stock: "12.5%w/w",
          density: "1.17kg/L",
          stroke: "10mL",
          least: "100mg/L",
          most: "200mg/L",
        },
      ],
      [
        "aim",
        say("mixing.calc.aim", "Strength to aim at"),
        { least: "100mg/L", most: "200mg/L", tolerance: "±3mg/L", fade: "0.1438/h", hold: "2h" },
      ],
      [
        "caustic",
        say("mixing.calc.caustic", "Caustic by mass"),
        {
          volume: "20L",
          wanted: "2%",
          stock: "25%",
          "wanted-density": "1.021kg/L",
          "stock-density": "1.27kg/L",
        },
      ],
      [
        "blend",
        say("mixing.calc.blend", "Hot and cold water"),
        { hot: "60C", cold: "12C", target: "45C", volume: "40L" },
      ],
      ["spray", say("mixing.calc.spray", "Liters to keep an area wet"), { area: "2.4m2", film: "0.2mm" }],
    ],
  ],
  [
    say("mixing.calc.check", "Check"),
    [
      [
        "reading",
        say("mixing.calc.reading", "What a reading can mean"),
        { value: "100mg/L", method: "strip:0,25,50,100,200", range: "50..200mg/L" },
      ],
      [
        "limit",
        say("mixing.calc.limit", "Limits of a sanitizer"),
        { kind: "chlorine", strength: "60mg/L", pH: "8.6", temp: "30C" },
      ],
      [
        "chlorine",
        say("mixing.calc.chlorine", "Share of quick chlorine"),
        { total: "100mg/L", pH: "7.0", temp: "25C" },
      ],
      [
        "heat",
        say("mixing.calc.heat", "Heat that sanitizes"),
        { curve: "70C@0min,70C@2min,75C@3min", reference: "70C", z: "10" },
      ],
    ],
  ],
  [
    say("mixing.calc.correct-group", "Correct"),
    [
      [
        "correct",
        say("mixing.calc.correct", "Bring it back into range"),
        { volume: "40L", reading: "62mg/L", target: "100mg/L", stock: "12.5%w/w", density: "1.17kg/L" },
      ],
    ],
  ],
  [
    say("mixing.calc.lasts", "How long does it last"),
    [
      [
        "fade",
        say("mixing.calc.fade", "How fast it fades"),
        { readings: "0h:200mg/L,2h:150mg/L", minimum: "100mg/L" },
      ],
      [
        "stock",
        say("mixing.calc.stock", "How long the stock lasts"),
        { use: "85mL", rounds: "14/week", "on-hand": "5L" },
      ],
    ],
  ],
  [
    say("mixing.calc.lines", "Lines"),
    [
      [
        "line",
        say("mixing.calc.line", "Volume and flow of a line"),
        { bore: "9.5mm", length: "38m", velocity: "1.5m/s" },
      ],
      [
        "pressure",
        say("mixing.calc.pressure", "Pressure that it takes"),
        { bore: "9.5mm", length: "38m", velocity: "1.5m/s", temp: "40C" },
      ],
      [
        "rinse-fills",
        say("mixing.calc.rinse-fills", "Fills until it is rinsed"),
        { start: "20000mg/L", limit: "5mg/L", left: "0.06" },
      ],
      [
        "rinse-flush",
        say("mixing.calc.rinse-flush", "Minutes until it is flushed"),
        { volume: "9L", flow: "11L/min", start: "20000mg/L", limit: "5mg/L", mixing: "well-mixed" },
      ],
      [
        "serial-rinse",
        say("mixing.calc.serial-rinse", "Several small rinses"),
        { start: "10000mg/L", left: "0.2L", volume: "1.5L", repeats: "3" },
      ],
      [
        "chase-out",
        say("mixing.calc.chase-out", "Product flush"),
        { volume: "2.69L", factor: "1.5", flow: "55mL/s" },
      ],
    ],
  ],
  [
    say("mixing.calc.heat-group", "Heat"),
    [
      [
        "cool",
        say("mixing.calc.cool", "Until it may be touched"),
        { first: "180C@0min", second: "120C@10min", room: "22C", limit: "49C" },
      ],
      [
        "hot-water",
        say("mixing.calc.hot-water", "Whether the hot water lasts"),
        {
          draws: "40L@21:10,60L@21:40",
          heater: "18kW",
          tank: "400L",
          cold: "12C",
          hot: "65C",
          wanted: "45C",
        },
      ],
    ],
  ],
  [
    say("mixing.calc.due", "When is it due"),
    [
      [
        "interval",
        say("mixing.calc.interval", "Hours until the next clean"),
        { uses: "08:00", rooms: "4C@08:00,6C@18:00" },
      ],
      ["trend", say("mixing.calc.trend", "Limits from own history"), { values: "12,15,11,14,13" }],
      [
        "sample",
        say("mixing.calc.sample", "Which sites to swab tonight"),
        { sites: "nozzle,table,blade,seal", rounds: "4" },
      ],
    ],
  ],
  [
    say("mixing.calc.lift-group", "Lift"),
    [
      [
        "lift",
        say("mixing.calc.lift", "Weight that one person may lift"),
        {
          mass: "14kg",
          horizontal: "30cm",
          vertical: "75cm",
          travel: "40cm",
          asymmetry: "0",
          coupling: "good",
          frequency: "0.2",
          duration: "1h",
        },
      ],
    ],
  ],
  [
    say("mixing.calc.cost-group", "Cost"),
    [
      [
        "cost",
        say("mixing.calc.cost", "Cost of a round"),
        { amounts: "0.35L@4.20/L", minutes: "26", rate: "24/h" },
      ],
    ],
  ],
];

const ALL = GROUPS.flatMap(([, of]) => of);

/** Every calculation, with its formula and numbers; the address holds its inputs, so that it can be sent. */
export function Calculations({ table }: { table: Table }) {
  const [params, setParams] = useSearchParams();
  const clock = useClock();
  const name = params.get("calc") ?? "dilute";
  const [, title, worked] = ALL.find(([n]) => n === name) ?? ALL[0];
  const keys = useMemo(() => {
    const all: { calculations: { name: string; keys: string[] }[] } = JSON.parse(list());
    return all.calculations.find((c) => c.name === name)?.keys ?? [];
  }, [name]);
  const inputs: Record<string, string> = {};
  for (const key of keys.map((k) => k.replace("?", ""))) {
    const given = params.get(`in.${key}`) ?? worked[key] ?? "";
    if (given.trim() !== "") {
      inputs[key] = given;
    }
  }
  const answer = table.compute(name, inputs);
  const refused = answer.said !== undefined ? answer : null;
  const asked = Object.entries(inputs)
    .map(([k, v]) => `in.${encodeURIComponent(k)}=${encodeURIComponent(v)}`)
    .join("&");
  const result = !refused && (answer as Answer).result;
  const past = usePast(
    params.size > 2 && result
      ? {
          at: siteNow(),
          title,
          to: `/mixing?show=calc&calc=${name}&${asked}`,
          result: `${shown(result.value)} ${result.unit}`,
        }
      : null,
  );
  const go = (to: string) => setParams({ show: "calc", calc: to });
  return (
    <div className="calc">
      <nav aria-label={say("mixing.calc.calculations", "Calculations")}>
        {GROUPS.map(([group, of]) => (
          <section key={group}>
            <h2>{group}</h2>
            <ul>
              {of.map(([n, t]) => (
                <li key={n}>
                  <button type="button" aria-current={n === name} onClick={() => go(n)}>
                    {t}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      <section className="calc-in" aria-label={title}>
        <h1>{title}</h1>
        {keys.map((k) => {
          const key = k.replace("?", "");
          return (
            <TextInput
              key={key}
              label={INPUTS[key] ?? key}
              description={
                k.endsWith("?") ? say("mixing.calc.may-be-left-out", "may be left out") : undefined
              }
              title={key}
              value={params.get(`in.${key}`) ?? worked[key] ?? ""}
              error={
                refused?.key === key ? `${sentence(refused.said)} (${piece(refused.allowed)})` : undefined
              }
              onChange={(e) => {
                const typed = e.currentTarget.value;
                setParams(
                  (now) => {
                    const next = new URLSearchParams(now);
                    next.set(`in.${key}`, typed);
                    return next;
                  },
                  { replace: true },
                );
              }}
            />
          );
        })}
      </section>
      <section className="calc-out" aria-live="polite" aria-label={say("mixing.calc.answer", "Answer")}>
        {refused ? (
          <p className="note stop" role="alert">
            {sentence(refused.said)} {say("mixing.calc.allowed", "Allowed: {0}", piece(refused.allowed))}
          </p>
        ) : (
          <Answered answer={answer as Answer} />
        )}
        {past.length > 0 && (
          <details className="calc-past">
            <summary>{say("mixing.calc.past", "Computed here before")}</summary>
            <ul>
              {past.map((p) => (
                <li key={p.to}>
                  <Link to={p.to}>{p.title}</Link> <strong>{p.result}</strong>{" "}
                  <small>
                    {clock.day(p.at)} {clock.time(p.at)}
                  </small>
                </li>
              ))}
            </ul>
          </details>
        )}
      </section>
    </div>
  );
}

type Computed = { at: number; title: string; to: string; result: string };

const KEPT = "orthopur.computed";
const MOST_KEPT = 30;

/** What was computed on this device, newest first; what was typed on the way to it is not kept. */
function usePast(now: Computed | null): Computed[] {
  const [past, setPast] = useState<Computed[]>(() => {
    try {
      return JSON.parse(localStorage.getItem(KEPT) ?? "[]");
    } catch {
      return [];
    }
  });
  const to = now?.to;
  useEffect(() => {
    if (!now) {
      return;
    }
    const settled = window.setTimeout(
      () =>
        setPast((before) => {
          const next = [now, ...before.filter((p) => p.to !== now.to)].slice(0, MOST_KEPT);
          localStorage.setItem(KEPT, JSON.stringify(next));
          return next;
        }),
      1500,
    );
    return () => window.clearTimeout(settled);
  }, [to]);
  return past;
}

const shown = (x: number) => String(Number(x.toPrecision(4)));

/** An amount, a sentence or a word beside the result. */
function also(v: unknown): string {
  if (typeof v !== "object" || v === null) {
    return told(String(v));
  }
  if ("english" in v) {
    return piece(v as CoreText);
  }
  return "value" in v ? `${shown(Number(v.value))} ${"unit" in v ? v.unit : ""}` : "";
}

function Answered({ answer }: { answer: Answer }) {
  return (
    <>
      {answer.result && (
        <p className="calc-result">
          {shown(answer.result.value)} <span>{told(answer.result.unit)}</span>
        </p>
      )}
      <p className="calc-formula">{piece(answer.formula)}</p>
      <dl>
        {Object.entries(answer.also).map(([k, v]) => (
          <div key={k}>
            <dt>{RESULTS[k] ?? k}</dt>
            <dd>{Array.isArray(v) ? v.map(also).join(", ") : also(v)}</dd>
          </div>
        ))}
      </dl>
      <ul>
        {answer.assumptions.map((a) => (
          <li key={a.english}>{sentence(a)}</li>
        ))}
      </ul>
    </>
  );
}
