import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { Correct } from "./Correct";
import { said, stepOf } from "./said";
import "./logbook.css";
import { keys } from "../shared/keys";

type LogEntry = Schemas["LogEntry"];

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
  if (record.isError) {
    return (
      <main className="page-state" role="alert">
        <h1>{say("logbook.round-record.this-record-cannot-be-shown", "This record cannot be shown")}</h1>
        <p>{message(record.error)}</p>
        <Link to="/logbook">{say("logbook.round-record.to-the-logbook", "To the logbook")}</Link>
      </main>
    );
  }
  if (!record.data) {
    return (
      <main className="page-state">
        <h1>{say("logbook.round-record.loading-the-record", "Loading the record…")}</h1>
      </main>
    );
  }
  const r = record.data;
  const notable = r.entries.filter((e) => e.weight !== "plain");
  const out = r.entries.filter((e) => e.weight === "reading-out").length;
  const deviations = r.entries.filter((e) => e.weight === "deviation").length;

  return (
    <main className="page record">
      <div className="page-head">
        <h1>
          {r.row.machine} {r.row.title}
        </h1>
        <span className="grow" />
        <a className="btn no-print" href={`/api/logbook/${round}/pdf`}>
          {say("logbook.round-record.pdf", "PDF")}
        </a>
        <a className="btn no-print" href={`/api/logbook/${round}/entries`} download={`round-${round}.json`}>
          {say("logbook.round-record.json", "JSON")}
        </a>
        <Link className="btn no-print" to={`/logbook/${round}/ribbon`}>
          {say("logbook.round-record.on-the-ribbon", "On the ribbon")}
        </Link>
      </div>
      <dl className="facts">
        <Fact
          name={say("logbook.round-record.started", "Started")}
          value={`${clock.day(r.row.startedAt)}, ${clock.time(r.row.startedAt)}, ${r.row.startedBy}`}
        />
        <Fact
          name={say("logbook.round-record.closed-and-signed", "Closed and signed")}
          value={r.row.closedAt ? `${clock.time(r.row.closedAt)}, ${r.row.closedBy}` : "still open"}
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
      <section>
        <h2>
          {say("logbook.round-record.readings-deviations-signatures", "Readings, deviations, signatures")}
        </h2>
        {notable.length === 0 ? (
          <p className="quiet">{say("logbook.round-record.none-yet", "None yet.")}</p>
        ) : (
          <table className="table">
            <thead>
              <tr>
                <th scope="col">{say("logbook.round-record.time", "Time")}</th>
                <th scope="col">{say("logbook.round-record.step", "Step")}</th>
                <th scope="col">{say("logbook.round-record.what", "What")}</th>
                <th scope="col">{say("logbook.round-record.who", "Who")}</th>
              </tr>
            </thead>
            <tbody>
              {notable.map((e) => (
                <tr key={e.seq} className={e.weight}>
                  <td>{clock.time(e.at)}</td>
                  <td>{e.step}</td>
                  <td>
                    <Line label={WEIGHT[e.weight] ?? ""} text={said(e)} />
                  </td>
                  <td className="nowrap">
                    {e.who}
                    {mayCorrect && e.kind !== "correction" && (
                      <button className="btn small no-print" type="button" onClick={() => setWrong(e)}>
                        {say("logbook.round-record.correct", "Correct")}
                        <span className="sr-only">
                          {" "}
                          {say("logbook.round-record.entry", "entry {0}", e.seq)}
                        </span>
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <section>
        <div className="page-head">
          <h2>{say("logbook.round-record.step-by-step", "Step by step")}</h2>
          <span className="grow" />
          <label className="no-print">
            <input type="checkbox" checked={all} onChange={(e) => setAll(e.currentTarget.checked)} />{" "}
            {say("logbook.round-record.every-entry", "every entry")}
          </label>
        </div>
        <ol className="record-steps">
          {byStep(r.entries).map((g) => {
            const shown = all
              ? g.entries
              : g.entries.filter((e) => e.weight !== "plain" || e.kind === "check");
            const last = g.entries.at(-1);
            return (
              <li key={`${g.step}-${g.entries[0].seq}`}>
                <span className="number">{g.step}</span>
                <div>
                  {g.title}
                  {shown.map((e) => (
                    <p key={e.seq} className={`quiet ${e.weight}`}>
                      {clock.time(e.at)} {said(e)}
                      {all ? `, ${e.who}` : ""}
                    </p>
                  ))}
                </div>
                <span className="quiet">
                  {last
                    ? `${clock.time(last.at)}, ${last.who}${last.paper ? say("logbook.round-record.from-paper", ", from paper") : ""}`
                    : ""}
                  {last?.kind !== "step-done" && last?.kind !== "round-closed"
                    ? say("logbook.round-record.open", " (open)")
                    : ""}
                </span>
              </li>
            );
          })}
        </ol>
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
