import type { EntryValue, Made } from "./core";

/*
 * What a cleaner enters, each kind made in one place. The core reads these names; a figure has its unit.
 */

const made = (kind: string, step: string, ...figures: EntryValue[]): Made => ({ kind, step, figures });
const text = (name: string, value: string): EntryValue => ({ name, text: value });

const moment = (at: number): EntryValue => ({ name: "at", value: at, unit: "ms" });

export const pieceOff = (step: string, piece: string) => made("piece-off", step, text("piece", piece));
export const pieceOn = (step: string, piece: string) => made("piece-on", step, text("piece", piece));
export const timerStarted = (step: string) => made("timer-started", step);
export const contactBroken = (step: string) => made("contact-broken", step);
export const corrective = (step: string, what: string) => made("corrective", step, text("text", what));
export const confirmed = (step: string, ask: string) => made("confirmed", step, text("ask", ask));
export const deviation = (step: string, reason: string) => made("deviation", step, text("reason", reason));
export const stepDone = (step: string) => made("step-done", step);
export const roundClosed = (step: string) => made("round-closed", step);

/** Strength in mg/L as shown, temperature in °C. */
export const reading = (step: string, instrument: string, strength: number, celsius: number) =>
  made(
    "reading",
    step,
    text("instrument", instrument),
    { name: "strength", value: strength, unit: "mg/L" },
    { name: "temperature", value: celsius, unit: "°C" },
  );

/** Without a value it was looked at and found right. */
export const check = (step: string, id: string, value?: number, unit?: string) =>
  made("check", step, text("check", id), ...(value === undefined ? [] : [{ name: "value", value, unit }]));

export const lockOn = (step: string, energy: string, number: string) =>
  made("lock-on", step, text("energy", energy), text("lock", number));

/** With a reason it is another's, taken off by the supervisor, signed. */
export const lockOff = (step: string, energy: string, number: string, reason?: string) =>
  made(
    "lock-off",
    step,
    text("energy", energy),
    text("lock", number),
    ...(reason ? [text("reason", reason)] : []),
  );

export const trouble = (step: string, kind: string, words: string, item?: string) =>
  made("trouble", step, text("trouble", kind), ...(item ? [text("item", item)] : []), text("text", words));

export const photo = (step: string, sha256: string, what: string) =>
  made("photo", step, text("sha256", sha256), text("what", what));

/** Which solution of the site a step uses. */
export const solutionUsed = (step: string, label: string, chemical: string, until?: number) =>
  made(
    "solution-used",
    step,
    text("label", label),
    text("chemical", chemical),
    ...(until === undefined ? [] : [{ name: "until", value: until, unit: "ms" }]),
  );

/** An instrument was held to one standard or two; a strip or a kit says its lot. */
export const instrumentChecked = (c: {
  instrument: string;
  unit: string;
  low: number;
  lowShown: number;
  high?: number;
  highShown?: number;
  lot?: string;
  at: number;
}) =>
  made(
    "instrument-checked",
    "",
    text("instrument", c.instrument),
    { name: "low", value: c.low, unit: c.unit },
    { name: "low-shown", value: c.lowShown, unit: c.unit },
    ...(c.high === undefined ? [] : [{ name: "high", value: c.high, unit: c.unit }]),
    ...(c.highShown === undefined ? [] : [{ name: "high-shown", value: c.highShown, unit: c.unit }]),
    ...(c.lot ? [text("lot", c.lot)] : []),
    { name: "at", value: c.at, unit: "ms" },
  );

export const lotOpened = (instrument: string, lot: string, expires: number) =>
  made("lot-opened", "", text("instrument", instrument), text("lot", lot), {
    name: "expires",
    value: expires,
    unit: "ms",
  });

/** A solution in a vessel of the site; strength as it was mixed. */
export const solutionMade = (b: {
  vessel: string;
  chemical: string;
  litres: number;
  mgPerL?: number;
  label: string;
  celsius: number;
  ph?: number;
  until: number;
  why?: string;
  purpose?: string;
}) =>
  made(
    "bucket-made",
    "",
    text("vessel", b.vessel),
    text("chemical", b.chemical),
    { name: "volume", value: b.litres, unit: "L" },
    ...(b.mgPerL === undefined ? [] : [{ name: "strength", value: b.mgPerL, unit: "mg/L" }]),
    text("label", b.label),
    { name: "temperature", value: b.celsius, unit: "°C" },
    ...(b.ph === undefined ? [] : [{ name: "ph", value: b.ph, unit: "pH" }]),
    { name: "until", value: b.until, unit: "ms" },
    ...(b.why ? [text("why", b.why)] : []),
    ...(b.purpose ? [text("purpose", b.purpose)] : []),
  );

/** Product out of a machine that is kept; without a moment nobody has written down until when. */
export const productKept = (machine: string, what: string, place: string, until?: number) =>
  made(
    "product-kept",
    "",
    text("machine", machine),
    text("what", what),
    text("place", place),
    ...(until === undefined ? [] : [{ name: "until", value: until, unit: "ms" }]),
  );

export const productGone = (machine: string, how: "used" | "thrown-away") =>
  made("product-gone", "", text("machine", machine), text("how", how));

/** The container from which is poured from now on. */
export const containerOpened = (chemical: string, delivered: number, celsius: number) =>
  made(
    "container-opened",
    "",
    text("chemical", chemical),
    { name: "delivered", value: delivered, unit: "ms" },
    { name: "stored", value: celsius, unit: "°C" },
  );

export const solutionRead = (
  label: string,
  instrument: string,
  strength: number,
  celsius: number,
  at: number,
  ends?: { at: number; why: string },
) =>
  made(
    "solution-read",
    "",
    text("label", label),
    text("instrument", instrument),
    { name: "strength", value: strength, unit: "mg/L" },
    { name: "temperature", value: celsius, unit: "°C" },
    { name: "at", value: at, unit: "ms" },
    ...(ends ? [{ name: "until", value: ends.at, unit: "ms" }, text("why", ends.why)] : []),
  );

export const solutionCorrected = (label: string, what: string, litres: number, drained: number, at: number) =>
  made(
    "solution-corrected",
    "",
    text("label", label),
    text("what", what),
    { name: "volume", value: litres, unit: "L" },
    { name: "drained", value: drained, unit: "L" },
    { name: "at", value: at, unit: "ms" },
  );

export const vesselEmptied = (vessel: string, rinsed: boolean) =>
  made("vessel-emptied", "", text("vessel", vessel), text("rinsed", rinsed ? "yes" : "no"));

/** For the site, at no step. */
export const sparesCounted = (machine: string, part: string, count: number) =>
  made("spares-counted", "", text("machine", machine), text("part", part), {
    name: "count",
    value: count,
    unit: "pieces",
  });

/** Something due that belongs to no round was done. */
export const taskDone = (task: string, at: number) => made("task-done", "", text("task", task), moment(at));

/** Something due is let go this once. */
export const taskLetGo = (task: string, why: string, at: number) =>
  made("task-let-go", "", text("task", task), text("why", why), moment(at));

export const countRead = (machine: string, counter: string, value: number, replaced: boolean, at: number) =>
  made(
    "count-read",
    "",
    text("machine", machine),
    text("counter", counter),
    { name: "value", value, unit: "count" },
    text("replaced", replaced ? "yes" : "no"),
    moment(at),
  );

export const signSeen = (machine: string, sign: string, there: boolean, at: number) =>
  made(
    "sign-seen",
    "",
    text("machine", machine),
    text("sign", sign),
    text("there", there ? "yes" : "no"),
    moment(at),
  );

export const kitFitted = (machine: string, kit: string, at: number) =>
  made("kit-fitted", "", text("machine", machine), text("kit", kit), moment(at));

/** What a setting of a machine shows. */
export const settingRead = (machine: string, setting: string, value: number, unit: string, at: number) =>
  made(
    "setting-read",
    "",
    text("machine", machine),
    text("setting", setting),
    { name: "value", value, unit },
    moment(at),
  );

/** At what a setting runs for now, who answers for it, and until when. */
export const settingLetRun = (
  machine: string,
  setting: string,
  run: { value: number; unit: string; owner: string; why: string; until: number },
  at: number,
) =>
  made(
    "setting-let-run",
    "",
    text("machine", machine),
    text("setting", setting),
    { name: "value", value: run.value, unit: run.unit },
    text("owner", run.owner),
    text("why", run.why),
    { name: "until", value: run.until, unit: "ms" },
    moment(at),
  );

/** What stands on the plate of a machine. */
export const plateRead = (machine: string, type: string, serial: string, at: number) =>
  made(
    "plate-read",
    "",
    text("machine", machine),
    text("type", type),
    ...(serial === "" ? [] : [text("serial", serial)]),
    moment(at),
  );

/** How much of a product lies in stock. */
export const stockCounted = (chemical: string, amount: number, unit: string) =>
  made("stock-counted", "", text("chemical", chemical), { name: "amount", value: amount, unit });

export const outOfUse = (machine: string, out: boolean, why: string, at: number) =>
  made(
    "out-of-use",
    "",
    text("machine", machine),
    text("out", out ? "yes" : "no"),
    text("why", why),
    moment(at),
  );

/** Something was said about a night that its plan follows; or it is taken back. */
export const nightSaid = (
  night: string,
  what: string,
  subject: string,
  minute: number,
  undone: boolean,
  at: number,
  why?: string,
) =>
  made(
    "night-said",
    "",
    text("night", night),
    text("what", what),
    ...(subject === "" ? [] : [text("subject", subject)]),
    { name: "minute", value: minute, unit: "min" },
    ...(why ? [text("why", why)] : []),
    text("undone", undone ? "yes" : "no"),
    moment(at),
  );

/** What was wrong with a machine, and what it was. */
export const troubleCured = (
  machine: string,
  symptom: string,
  found: string,
  part: string | undefined,
  at: number,
) =>
  made(
    "trouble-cured",
    "",
    text("machine", machine),
    text("symptom", symptom),
    text("found", found),
    ...(part ? [text("part", part)] : []),
    moment(at),
  );
