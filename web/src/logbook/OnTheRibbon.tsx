import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import "../procedures/workbench.css";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { type Mark, Ribbon } from "../ribbon/Ribbon";
import { useWording } from "../ribbon/useWording";
import { namesOf } from "../ribbon/words";
import { useClock } from "../shared/session";
import { said } from "./said";
import "./logbook.css";
import { keys } from "../shared/keys";
import { told } from "../shared/texts";

const NOTHING_FOLDED = new Set<string>();
const NO_MARKS = new Map<string, Mark>();

/** One round replayed on the ribbon of the version it was carried out by, entry by entry. */
export default function OnTheRibbon() {
  const { round = "" } = useParams();
  const record = useQuery({
    queryKey: keys.record(round),
    queryFn: () => unwrap(api.GET("/api/logbook/{round}", { params: { path: { round } } })),
  });
  const row = record.data?.row;
  const view = useQuery({
    queryKey: keys.procedureOfRound(row?.procedure, row?.version),
    enabled: row !== undefined,
    queryFn: () =>
      unwrap(
        api.GET("/api/procedures/{id}/versions/{version}", {
          params: { path: { id: row?.procedure ?? "", version: row?.version ?? 0 } },
        }),
      ),
  });
  const doc = view.data?.document;
  const verdict = useQuery({
    queryKey: keys.verdictOfRound(row?.procedure, row?.version),
    enabled: doc !== undefined,
    queryFn: () =>
      unwrap(
        api.POST("/api/verify", {
          body: doc as NonNullable<typeof doc>,
          params: { query: { configuration: 0 } },
        }),
      ),
  });
  const { sheet, chemicals, actions } = useWording(row?.machine);
  const failed = [record, view, verdict, sheet, chemicals, actions].find((q) => q.isError);
  if (failed) {
    return (
      <NotShown
        what={say("logbook.on-the-ribbon.this-round-cannot-be-replayed", "This round cannot be replayed")}
        error={failed.error}
      >
        <Link to={`/logbook/${round}`}>{say("logbook.on-the-ribbon.to-the-record", "To the record")}</Link>
      </NotShown>
    );
  }
  if (!record.data || !doc || !verdict.data || !sheet.data || !chemicals.data || !actions.data) {
    return (
      <Waiting
        what={say(
          "logbook.on-the-ribbon.loading-the-round-and-its-ribbon",
          "Loading the round and its ribbon…",
        )}
      />
    );
  }
  return (
    <Replayed
      record={record.data}
      steps={doc.steps}
      verdict={verdict.data}
      sheet={sheet.data}
      chemicals={chemicals.data}
      actions={actions.data}
    />
  );
}

type Props = {
  record: Schemas["RoundReport"];
  steps: Schemas["ProcedureDocument"]["steps"];
  verdict: Schemas["VerdictDocument"];
  sheet: Schemas["SheetView"];
  chemicals: Schemas["ChemicalView"][];
  actions: Schemas["ActionInfo"][];
};

function Replayed({ record, steps, verdict, sheet, chemicals, actions }: Props) {
  const clock = useClock();
  const [at, setAt] = useState(record.entries.length);
  const names = useMemo(() => namesOf(sheet, chemicals), [sheet, chemicals]);
  const seen = record.entries.slice(0, at);
  const now = seen[seen.length - 1];
  const [picked, setPicked] = useState<string | null>(null);
  const selected = picked ?? steps[(now?.step ?? 1) - 1]?.id ?? null;
  const number = steps.findIndex((s) => s.id === selected) + 1;
  const own = seen.filter((e) => e.step === number);
  const phases = steps.map((s) => verdict.ribbon.steps.find((r) => r.id === s.id)?.phase ?? "");
  return (
    <main className="bench">
      <div className="bench-body">
        <section
          className="bench-left"
          aria-label={say("logbook.on-the-ribbon.the-round-on-its-ribbon", "The round on its ribbon")}
        >
          <div className="page-head replay-head">
            <h1>
              {record.row.machine} {told(record.row.title)}
            </h1>
            <span className="grow" />
            <Link className="btn" to={`/logbook/${record.row.round}`}>
              {say("logbook.on-the-ribbon.the-record", "The record")}
            </Link>
          </div>
          <label className="replay">
            <span>
              {now
                ? say(
                    "logbook.on-the-ribbon.entry-of-step",
                    "Entry {0} of {1}: {2}, step {3}, {4}",
                    at,
                    record.entries.length,
                    clock.time(now.at),
                    now.step,
                    now.who,
                  )
                : say("logbook.on-the-ribbon.nothing-entered-yet", "Nothing entered yet")}
            </span>
            <input
              type="range"
              min={0}
              max={record.entries.length}
              value={at}
              onChange={(e) => {
                setAt(Number(e.currentTarget.value));
                setPicked(null);
              }}
            />
          </label>
          <Ribbon
            steps={steps}
            ribbon={verdict.ribbon}
            phases={phases}
            folded={NOTHING_FOLDED}
            onFold={() => undefined}
            selected={selected}
            onSelect={setPicked}
            onKey={() => undefined}
            findings={[]}
            lit={null}
            troubled={false}
            names={names}
            actions={actions}
            marks={NO_MARKS}
            reached={Math.max(0, ...seen.map((e) => e.step))}
          />
        </section>
        <aside
          className="bench-right"
          aria-label={say(
            "logbook.on-the-ribbon.what-was-entered-at-this-step",
            "What was entered at this step",
          )}
        >
          <h2>{say("logbook.on-the-ribbon.step", "Step {0}", number)}</h2>
          {own.length === 0 ? (
            <p className="quiet">
              {say(
                "logbook.on-the-ribbon.nothing-was-entered-here-up-to",
                "Nothing was entered here up to then.",
              )}
            </p>
          ) : (
            <ol className="replay-entries">
              {own.map((e) => (
                <li key={e.seq} className={e.weight}>
                  <strong>{clock.time(e.at)}</strong> {said(e)}, {e.who}
                </li>
              ))}
            </ol>
          )}
        </aside>
      </div>
    </main>
  );
}
