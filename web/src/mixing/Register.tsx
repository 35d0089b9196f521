import { NumberInput, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { FromMeter } from "../round/FromMeter";
import { tabletNow } from "../round/outbox";
import { type SiteStream, useSiteStream } from "../round/useSiteStream";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { STATUS, told } from "../shared/texts";
import { type Believed, type Instrument, type Registered, registerOf, usedUp } from "../solution/register";
import type { Table } from "../solution/table";

const SAYS: Record<Believed, string> = {
  GOOD: say("mixing.register.good", "good"),
  DUE: say("mixing.register.due", "check is due"),
  NEVER: say("mixing.register.never", "never checked"),
  LOT_UNCHECKED: say("mixing.register.lot-unchecked", "lot not checked"),
  LOT_EXPIRED: say("mixing.register.lot-expired", "lot expired: do not use"),
  FAILED: say("mixing.register.failed", "failed its check: do not use"),
};
/** What needs a hand comes first. */
const ORDER: Believed[] = ["FAILED", "LOT_EXPIRED", "DUE", "NEVER", "LOT_UNCHECKED", "GOOD"];

/** Units in which an instrument reads, by what it measures. */
const UNITS: Record<string, string> = {
  PH: "pH",
  TEMPERATURE: "°C",
  SURFACE_TEMPERATURE: "°C",
  CONDUCTIVITY: "mS/cm",
  ATP: "RLU",
  FLOW: "mL",
  PRESSURE: "kPa",
  TORQUE: "N·m",
  TENSION: "gauge",
  CLEARANCE: "mm",
};
export const unitOf = (i: Instrument) => UNITS[i.measures ?? ""] ?? "mg/L";

/** The instruments of the site: how far each can be believed, its checks, and what a wrong one has decided. */
export function Register({ table }: { table: Table }) {
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [params, setParams] = useSearchParams();
  const all = registerOf(table.pack, site.newest, tabletNow());
  const sorted = [...all].sort((a, b) => ORDER.indexOf(a.standing) - ORDER.indexOf(b.standing));
  const chosen = all.find((r) => r.id === params.get("instrument")) ?? sorted[0];
  const of = (id: string) => (table.pack.register ?? []).find((i) => i.id === id);
  const clock = useClock();
  const instrument = chosen && of(chosen.id);
  if (!chosen || !instrument) {
    return (
      <p className="page-state">
        {say(
          "mixing.register.none",
          "This site has no instruments yet. Enter them under People and site; without one nothing can be read.",
        )}
      </p>
    );
  }
  return (
    <div className="register">
      <ul aria-label={say("mixing.register.instruments", "Instruments")}>
        {sorted.map((r) => (
          <li key={r.id}>
            <button
              type="button"
              aria-current={r.id === chosen.id}
              className={`in-register ${r.usable ? (r.standing === "GOOD" ? "good" : "due") : "bad"}`}
              onClick={() => setParams({ show: "instruments", instrument: r.id })}
            >
              <Mark standing={r.standing} usable={r.usable} />
              <span>
                {told(of(r.id)?.name ?? r.id)}
                <small>
                  {SAYS[r.standing]}
                  {r.due !== undefined &&
                    r.standing === "GOOD" &&
                    `, ${say("mixing.register.until", "check by {0}", clock.day(r.due))}`}
                  {r.lot && `, ${say("mixing.register.lot", "lot {0}", r.lot)}`}
                </small>
              </span>
            </button>
          </li>
        ))}
      </ul>
      <section className="register-check" key={chosen.id} aria-label={told(instrument.name)}>
        <h1>{told(instrument.name)}</h1>
        <p>{reads(instrument)}</p>
        {chosen.standing === "FAILED" && (
          <p className="note stop" role="alert">
            {say(
              "mixing.register.failed-so",
              "Take it out of use. It reads again once it is adjusted or replaced and passes at both points.",
            )}
          </p>
        )}
        {session?.role !== "AUDITOR" && (
          <>
            {usedUp(instrument) && <Lot instrument={instrument} registered={chosen} site={site} />}
            {(!usedUp(instrument) || chosen.lot) && (
              <Check instrument={instrument} registered={chosen} site={site} />
            )}
          </>
        )}
        {site.refusal && (
          <p className="note stop" role="alert">
            {site.refusal}
          </p>
        )}
      </section>
      <section className="register-past" aria-label={say("mixing.register.past", "What was found")}>
        <h2>{say("mixing.register.checks", "Checks")}</h2>
        {chosen.checks.length === 0 && (
          <p>{say("mixing.register.no-checks", "Nobody has held it to a standard yet.")}</p>
        )}
        <ol className="register-checks">
          {[...chosen.checks].reverse().map((c) => (
            <li key={c.at} className={c.passed ? "good" : "bad"}>
              <strong>
                {c.passed
                  ? say("mixing.register.passed", "passed")
                  : say("mixing.register.not-passed", "did not pass")}
              </strong>{" "}
              {clock.day(c.at)} {clock.time(c.at)}, {c.who}
              <small>
                {say("mixing.register.showed", "{0} {2} showed {1}", c.low, c.lowShown, told(c.unit))}
                {c.high !== undefined &&
                  `; ${say("mixing.register.showed", "{0} {2} showed {1}", c.high, c.highShown ?? "–", told(c.unit))}`}
                {c.lot && `; ${say("mixing.register.lot", "lot {0}", c.lot)}`}
              </small>
            </li>
          ))}
        </ol>
        <LookBack registered={chosen} />
      </section>
    </div>
  );
}

/** How far and how finely it reads, as its register says. */
function reads(i: Instrument): string {
  const unit = told(unitOf(i));
  if (i.steps.length > 0) {
    return say("mixing.register.marks", "Marks: {0} {1}", i.steps.join(", "), unit);
  }
  if (i.perDrop !== undefined) {
    return say("mixing.register.a-drop", "{0} {1} a drop", i.perDrop, unit);
  }
  const fine = say("mixing.register.fine", "± {0} {1}", i.tolerance, unit);
  return i.least === undefined || i.most === undefined || i.least === i.most
    ? fine
    : say("mixing.register.range", "{0} to {1} {2}, {3}", i.least, i.most, unit, fine);
}

/** A shape beside the word, so that it is told apart without color. */
function Mark({ standing, usable }: { standing: Believed; usable: boolean }) {
  return (
    <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
      {!usable ? (
        <path d="M4 4 16 16M16 4 4 16" className="mark-bad" />
      ) : standing === "GOOD" ? (
        <path d="M3 11 8 16 17 5" className="mark-good" />
      ) : (
        <path d="M10 3V12M10 15V17" className="mark-due" />
      )}
    </svg>
  );
}

const num = (text: string) => (text.trim() === "" ? Number.NaN : Number(text.replace(",", ".")));

type Own = { instrument: Instrument; registered: Registered; site: SiteStream };

/** Two points for a display, one for a strip or a kit. */
function Check({ instrument, registered, site }: Own) {
  const unit = unitOf(instrument);
  const two = !usedUp(instrument) && instrument.least !== instrument.most;
  const [low, setLow] = useState("");
  const [lowShown, setLowShown] = useState("");
  const [high, setHigh] = useState("");
  const [highShown, setHighShown] = useState("");
  const [done, setDone] = useState(false);
  const figures = [num(low), num(lowShown), ...(two ? [num(high), num(highShown)] : [])];
  const whole = figures.every(Number.isFinite) && (!two || num(high) > num(low));
  const point = (
    label: string,
    standard: [string, (v: string) => void],
    shown: [string, (v: string) => void],
  ) => (
    <fieldset className="register-point">
      <legend>{label}</legend>
      <TextInput
        label={say("mixing.register.standard", "Standard, {0}", told(unit))}
        inputMode="decimal"
        value={standard[0]}
        onChange={(e) => standard[1](e.currentTarget.value)}
      />
      <TextInput
        label={say("mixing.register.it-shows", "It shows, {0}", told(unit))}
        inputMode="decimal"
        value={shown[0]}
        onChange={(e) => shown[1](e.currentTarget.value)}
      />
      {Number.isFinite(num(standard[0])) && (
        <FromMeter
          desk
          standard
          fits={(m) => m.id === instrument.id}
          near={num(standard[0])}
          onRead={(v) => shown[1](String(v))}
        />
      )}
    </fieldset>
  );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        site.write(
          enter.instrumentChecked({
            instrument: instrument.id,
            unit,
            low: num(low),
            lowShown: num(lowShown),
            high: two ? num(high) : undefined,
            highShown: two ? num(highShown) : undefined,
            lot: registered.lot,
            at: tabletNow(),
          }),
        );
        setDone(true);
        for (const clear of [setLow, setLowShown, setHigh, setHighShown]) {
          clear("");
        }
      }}
    >
      <p className="quiet">
        {two
          ? say(
              "mixing.register.two-points",
              "Hold it to two standards, near both ends of what is read with it: a buffer, a solution of known strength, ice water, or a second instrument that passed.",
            )
          : say(
              "mixing.register.one-point",
              "Hold it to one standard of known value, in the middle of what is read with it.",
            )}
      </p>
      {point(
        two ? say("mixing.register.lower", "Lower point") : say("mixing.register.point", "Point"),
        [low, setLow],
        [lowShown, setLowShown],
      )}
      {two && point(say("mixing.register.upper", "Upper point"), [high, setHigh], [highShown, setHighShown])}
      {two && Number.isFinite(num(high)) && num(high) <= num(low) && (
        <p className="note stop">
          {say("mixing.register.upper-above", "The upper standard has to be above the lower one.")}
        </p>
      )}
      <button className="btn main" type="submit" disabled={!whole}>
        {say("mixing.register.write-down", "Write the check down")}
      </button>
      {done && !site.refusal && (
        <p className="note done" role="status">
          {say("mixing.register.written", "Written down. What it means stands in the list.")}
        </p>
      )}
    </form>
  );
}

/** Which lot is in use, and until when. */
function Lot({ instrument, registered, site }: Own) {
  const clock = useClock();
  const [lot, setLot] = useState("");
  const [days, setDays] = useState<number | string>("");
  return (
    <form
      className="register-lot"
      onSubmit={(e) => {
        e.preventDefault();
        site.write(enter.lotOpened(instrument.id, lot.trim(), tabletNow() + Number(days) * 86_400_000));
        setLot("");
        setDays("");
      }}
    >
      <p>
        {registered.lot && registered.expires !== undefined
          ? say(
              "mixing.register.lot-in-use",
              "Lot {0} is in use; it expires {1}.",
              registered.lot,
              clock.day(registered.expires),
            )
          : say("mixing.register.no-lot", "Nobody has said which lot is in use.")}
      </p>
      <div className="mixing-pair">
        <TextInput
          label={say("mixing.register.new-lot", "New lot, as on the tube")}
          value={lot}
          maxLength={40}
          onChange={(e) => setLot(e.currentTarget.value)}
        />
        <NumberInput
          label={say("mixing.register.days-left", "Days until it expires")}
          min={1}
          max={3650}
          value={days}
          onChange={setDays}
        />
      </div>
      <button className="btn" type="submit" disabled={!lot.trim() || !(Number(days) > 0)}>
        {say("mixing.register.open-lot", "Open this lot")}
      </button>
    </form>
  );
}

/** All that was decided by it since it was last right. */
function LookBack({ registered }: { registered: Registered }) {
  const clock = useClock();
  const doubted = registered.doubtedSince !== undefined;
  const seen = useQuery({
    queryKey: keys.lookBack(registered.id, registered.checks.length),
    queryFn: () =>
      unwrap(
        api.GET("/api/instruments/{id}/look-back", { params: { path: { id: registered.id }, query: {} } }),
      ),
  });
  const readings = seen.data?.readings ?? [];
  return (
    <>
      <h2>
        {doubted
          ? say("mixing.register.in-doubt", "In doubt since its last good check")
          : say("mixing.register.read-since", "Read with it since its last good check")}
      </h2>
      {seen.isError && (
        <p className="quiet">{say("mixing.register.needs-signal", "This can only be said with signal.")}</p>
      )}
      {seen.data && readings.length === 0 && (
        <p>{say("mixing.register.nothing-read", "Nothing was read with it.")}</p>
      )}
      {readings.length > 0 && (
        <ul className={`look-back${doubted ? " doubted" : ""}`}>
          {readings.map((r) => (
            <li key={`${r.at} ${r.round ?? r.label}`}>
              <strong>
                {r.value} {told(r.unit)}
              </strong>{" "}
              {clock.day(r.at)} {clock.time(r.at)}, {r.who}
              <small>
                {r.round ? (
                  <>
                    <Link to={`/logbook/${r.round}`}>
                      {r.machine} {told(r.title ?? "")}
                    </Link>
                    {r.status && `: ${STATUS[r.status]}`}
                  </>
                ) : (
                  <Link to={`/mixing?show=shelf&label=${r.label}`}>
                    {say("mixing.register.of-solution", "solution {0}", r.label ?? "–")}
                  </Link>
                )}
              </small>
            </li>
          ))}
        </ul>
      )}
      {seen.data?.more && (
        <p className="quiet">{say("mixing.register.more", "There are older ones beside these.")}</p>
      )}
    </>
  );
}
