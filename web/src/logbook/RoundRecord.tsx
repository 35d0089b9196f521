import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link, useParams } from "react-router";
import { api, type CoreText, type Schemas, unwrap } from "../api/client";
import { NotShown, Waiting } from "../shared/PageState";
import { inUnits, say, spoken } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { piece, told, useReading } from "../shared/texts";
import { Correct } from "./Correct";
import { said, stepOf } from "./said";
import "./logbook.css";
import { keys } from "../shared/keys";

type LogEntry = Schemas["LogEntry"];
type Measured = Schemas["ReadValue"];

const WEIGHT: Record<string, string> = {
  "reading-in": say("logbook.round-record.reading-in-range", "reading in range"),
  "reading-out": say("logbook.round-record.reading-out-of-range", "reading out of range"),
  solution: say("logbook.round-record.solution", "solution"),
  corrective: say("logbook.round-record.corrective-action", "corrective action"),
  deviation: say("logbook.round-record.deviation", "deviation"),
  signature: say("logbook.round-record.signature", "signature"),
  trouble: say("logbook.round-record.went-wrong", "went wrong"),
  difference: say("logbook.round-record.does-not-fit", "does not fit"),
  lock: say("logbook.round-record.lock", "lock"),
  correction: say("logbook.round-record.correction", "correction"),
};

/** What sort of entry it is, once: many begin with it. */
function Line({ label, text }: { label: string; text: string }) {
  const begins = text.toLowerCase().startsWith(label.toLowerCase());
  return (
    <>
      <strong>{begins ? text.slice(0, label.length) : label}</strong>
      {begins ? text.slice(label.length) : `: ${text}`}
    </>
  );
}

export default function RoundRecord() {
  const { round = "" } = useParams();
  const clock = useClock();
  const [all, setAll] = useState(false);
  const [wrong, setWrong] = useState<LogEntry | null>(null);
  const session = useSession();
  const mayCorrect = session.data?.role === "SUPERVISOR" || session.data?.role === "QA";
  const record = useQuery({
    queryKey: keys.record(round),
    queryFn: () => unwrap(api.GET("/api/logbook/{round}", { params: { path: { round } } })),
  });
  useReading(record.data?.row.machine, record.data?.row.procedure);
  if (record.isError) {
    return (
      <NotShown
        what={say("logbook.round-record.this-record-cannot-be-shown", "This record cannot be shown")}
        error={record.error}
      >
        <Link to="/logbook">{say("logbook.round-record.to-the-logbook", "To the logbook")}</Link>
      </NotShown>
    );
  }
  if (!record.data) {
    return <Waiting what={say("logbook.round-record.loading-the-record", "Loading the record…")} />;
  }
  const r = record.data;
  const correct = (e: LogEntry) =>
    mayCorrect &&
    e.kind !== "correction" && (
      <button className="btn small no-print" type="button" onClick={() => setWrong(e)}>
        {say("logbook.round-record.correct", "Correct")}
        <span className="sr-only"> {say("logbook.round-record.entry", "entry {0}", e.seq)}</span>
      </button>
    );
  const out = r.entries.filter((e) => e.weight === "reading-out").length;
  const deviations = r.entries.filter((e) => e.weight === "deviation").length;

  return (
    <main className="page record">
      <div className="page-head">
        <h1>
          {r.row.machine} {told(r.row.title)}
        </h1>
        <span className="grow" />
        <a className="btn no-print" href={`/api/logbook/${round}/pdf?in=${spoken()}`}>
          {say("logbook.round-record.pdf", "PDF")}
        </a>
        <a className="btn no-print" href={`/api/logbook/${round}/entries`} download={`round-${round}.json`}>
          {say("logbook.round-record.json", "JSON")}
        </a>
        <Link className="btn no-print" to={`/logbook/${round}/ribbon`}>
          {say("logbook.round-record.on-the-ribbon", "On the ribbon")}
        </Link>
      </div>
      <Ended record={r} />
      <dl className="facts">
        <Fact
          name={say("logbook.round-record.carried-out", "Carried out")}
          value={`${clock.day(r.row.startedAt)}, ${clock.time(r.row.startedAt)}–${
            r.row.closedAt ? clock.time(r.row.closedAt) : "…"
          }`}
        />
        <Fact name={say("logbook.round-record.by", "By")} value={hands(r).join(", ")} />
        <Fact
          name={say("logbook.round-record.closed-and-signed", "Closed and signed")}
          value={
            r.row.closedAt
              ? `${clock.time(r.row.closedAt)}, ${r.row.closedBy}`
              : say("logbook.round-record.still-open", "still open")
          }
        />
        <Fact
          name={say("logbook.round-record.procedure", "Procedure")}
          value={say(
            "logbook.round-record.version-sheet-rules",
            "version {0}, sheet {1}, rules {2}",
            r.row.version,
            r.sheetVersion,
            r.ruleBook,
          )}
        />
        <Fact
          name={say("logbook.round-record.readings-out-of-range", "Readings out of range")}
          value={String(out)}
        />
        <Fact name={say("logbook.round-record.deviations", "Deviations")} value={String(deviations)} />
        <Fact
          name={say("logbook.round-record.entries", "Entries")}
          value={
            r.chainWhole
              ? say("logbook.round-record.unchanged-since", "{0}, unchanged since", r.entries.length)
              : say("logbook.round-record.changed-from-outside", "CHANGED FROM OUTSIDE")
          }
        />
      </dl>
      <div className="record-halves">
        <Readings entries={r.entries} correct={correct} />
        <Noted entries={r.entries} correct={correct} />
      </div>
      <section>
        <div className="page-head">
          <h2>{say("logbook.round-record.step-by-step", "Step by step")}</h2>
          <span className="grow" />
          <label className="no-print">
            <input type="checkbox" checked={all} onChange={(e) => setAll(e.currentTarget.checked)} />{" "}
            {say("logbook.round-record.every-entry", "every entry")}
          </label>
        </div>
        <Steps record={r} all={all} />
      </section>
      {wrong && <Correct round={round} entry={wrong} onClose={() => setWrong(null)} />}
      <p className="quiet record-foot">
        {say(
          "logbook.round-record.pack-label-machine-manual-and-local",
          "Pack {0}. Label, machine manual and local code stand above this record.",
          r.packHash.slice(0, 12),
        )}
      </p>
    </main>
  );
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </div>
  );
}

type Report = Schemas["RoundReport"];

/** Everybody who did a step, in the order in which they came. */
const hands = (r: Report) => [
  ...new Set([
    r.row.startedBy,
    ...r.entries.filter((e) => e.kind === "step-done" || e.kind === "piece-off").map((e) => e.who),
  ]),
];

/** How it ended, before anything else is read. */
function Ended({ record }: { record: Report }) {
  const clock = useClock();
  const last = record.entries.findLast((e) => e.kind === "released" || e.kind === "sent-back");
  const released = last?.kind === "released";
  const how = last
    ? `${said(last)}, ${clock.time(last.at)}, ${last.who}`
    : record.row.closedAt
      ? say("logbook.round-record.handed-over-not-released", "handed over, not released")
      : say("logbook.round-record.still-open", "still open");
  return (
    <p className={`record-ended ${released ? "released" : "not-released"}`}>
      <svg viewBox="0 0 32 32" aria-hidden="true">
        {released ? <path d="M3 17 L12 26 L29 6" /> : <path d="M5 5 H27 V27 H5 Z M5 16 H27" />}
      </svg>
      {how.replace(/^./, (c) => c.toUpperCase())}
    </p>
  );
}

type Part = { entries: LogEntry[]; correct: (e: LogEntry) => ReactNode };

/** Each value on its own strip: the limits, and where it lay. */
function Readings({ entries, correct }: Part) {
  const clock = useClock();
  const rows = entries.flatMap((e) => e.measured.map((m, i) => ({ e, m, first: i === 0 })));
  return (
    <section>
      <h2>{say("logbook.round-record.readings-against-their-limits", "Readings against their limits")}</h2>
      {rows.length === 0 ? (
        <p className="quiet">{say("logbook.round-record.none-yet", "None yet.")}</p>
      ) : (
        <table className="table strips">
          <tbody>
            {rows.map(({ e, m, first }) => (
              <tr key={`${e.seq} ${m.name.english}`} className={m.in ? "" : "out"}>
                <td className="quiet nowrap">
                  {first && say("logbook.round-record.at-step", "{0}, step {1}", clock.time(e.at), e.step)}
                </td>
                <th scope="row">{piece(m.name as CoreText)}</th>
                <td>
                  <Strip m={m} />
                </td>
                <td className="strip-value">
                  {shown(m.value, m.unit)} <span className="quiet">{limits(m)}</span>
                  {!m.in && <b> {say("logbook.round-record.out", "out of range")}</b>}
                </td>
                <td className="nowrap">
                  {first && e.who} {first && e.weight === "reading-in" && correct(e)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

const shown = (value: number, unit: string) =>
  unit === "°C" ? inUnits(`${value} °C`, `${value} °C`) : `${value} ${told(unit)}`.trim();

function limits(m: Measured): string {
  if (m.least != null && m.most != null) {
    return say("logbook.round-record.of-to", "of {0} to {1}", m.least, shown(m.most, m.unit));
  }
  return m.least == null
    ? ""
    : say("logbook.round-record.of-at-least", "of at least {0}", shown(m.least, m.unit));
}

const WIDE = 180;

/** The permitted stretch as a bar, the value as a mark; both with room around them. */
function Strip({ m }: { m: Measured }) {
  if (m.least == null) {
    return null;
  }
  const most = m.most ?? Math.max(m.value, m.least) + Math.max(1, Math.abs(m.least) * 0.2);
  const from = Math.min(m.value, m.least);
  const to = Math.max(m.value, most);
  const room = (to - from || 1) * 0.12;
  const x = (v: number) => ((v - from + room) / (to - from + 2 * room)) * WIDE;
  return (
    <svg className="strip" viewBox={`0 0 ${WIDE} 18`} aria-hidden="true">
      <path className="strip-line" d={`M0 9 H${WIDE}`} />
      <rect
        x={x(m.least)}
        y="4"
        width={(m.most == null ? WIDE : x(most)) - x(m.least)}
        height="10"
        className="strip-may"
      />
      <path d={`M${x(m.value)} 0 V18`} className="strip-at" />
    </svg>
  );
}

/** What was out of the ordinary, what was done about it, and who signed. */
function Noted({ entries, correct }: Part) {
  const clock = useClock();
  // A lock is put on and taken off in every round; one that was another's is not.
  const usual = (e: LogEntry) =>
    e.weight === "plain" ||
    e.weight === "reading-in" ||
    (e.weight === "lock" && e.said.id !== "record.anothers-lock");
  const notable = entries.filter((e) => !usual(e));
  return (
    <section>
      <h2>{say("logbook.round-record.out-of-the-ordinary", "What was out, what was done, who signed")}</h2>
      {notable.length === 0 ? (
        <p className="quiet">{say("logbook.round-record.nothing", "Nothing.")}</p>
      ) : (
        <table className="table">
          <tbody>
            {notable.map((e) => (
              <tr key={e.seq} className={e.weight}>
                <td className="quiet nowrap">
                  {say("logbook.round-record.at-step", "{0}, step {1}", clock.time(e.at), e.step)}
                </td>
                <th scope="row">
                  <Line label={WEIGHT[e.weight] ?? ""} text={said(e)} />
                </th>
                <td className="nowrap">
                  {e.who} {correct(e)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** Each step from when the one before it was done until it was: a bar on the time of the round. */
function Steps({ record, all }: { record: Report; all: boolean }) {
  const clock = useClock();
  const groups = byStep(record.entries);
  const begun = record.row.startedAt;
  // What comes after the round was handed over, its release, is no time at the machine.
  const over = record.row.closedAt ?? Math.max(begun + 60_000, ...record.entries.map((e) => e.at));
  let from = begun;
  return (
    <ol className="record-steps">
      {groups.map((g) => {
        const shownEntries = all
          ? g.entries
          : g.entries.filter((e) => e.weight !== "plain" || e.kind === "check");
        const last = g.entries.at(-1) as LogEntry;
        const done = g.entries.some((e) => e.kind === "step-done" || e.kind === "round-closed");
        const bar = { from, to: Math.max(from, Math.min(last.at, over)) };
        from = bar.to;
        return (
          <li key={`${g.step}-${g.entries[0].seq}`}>
            <span className="number">{g.step}</span>
            <div>
              {g.title}
              {shownEntries.map((e) => (
                <p key={e.seq} className={`quiet ${e.weight}`}>
                  {clock.time(e.at)} {said(e)}
                  {all ? `, ${e.who}` : ""}
                </p>
              ))}
              {g.entries.map(
                (e) =>
                  e.photo && (
                    <a key={e.id} href={`/api/photos/${e.photo}`} target="_blank" rel="noreferrer">
                      <img
                        className="record-photo"
                        src={`/api/photos/${e.photo}`}
                        alt={said(e)}
                        loading="lazy"
                      />
                    </a>
                  ),
              )}
            </div>
            <span className="record-time">
              <svg viewBox="0 0 200 10" preserveAspectRatio="none" aria-hidden="true">
                <rect
                  x={((bar.from - begun) / (over - begun)) * 200}
                  y="1"
                  width={Math.max(2, ((bar.to - bar.from) / (over - begun)) * 200)}
                  height="8"
                />
              </svg>
              {minutes(bar.to - bar.from)}
            </span>
            <span className="quiet">
              {`${clock.time(last.at)}, ${last.who}${last.paper ? say("logbook.round-record.from-paper", ", from paper") : ""}`}
              {done ? "" : say("logbook.round-record.open", " (open)")}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

const minutes = (ms: number) =>
  say(
    "logbook.round-record.minutes",
    "{0} min",
    ms < 600_000 ? (ms / 60_000).toFixed(1) : Math.round(ms / 60_000),
  );

/** Entries of one step together; taps that went well are one line. */
function byStep(entries: LogEntry[]): { step: number; title: string; entries: LogEntry[] }[] {
  const groups: { step: number; title: string; entries: LogEntry[] }[] = [];
  for (const e of entries) {
    const last = groups.at(-1);
    if (last && last.step === e.step) {
      last.entries.push(e);
    } else {
      groups.push({ step: e.step, title: stepOf(e), entries: [e] });
    }
  }
  return groups;
}
