import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { told, toldTask } from "../shared/texts";

type Clean = Schemas["PastClean"];

const WIDE = 300;

/** The morning after: each clean as it was planned and as it was, and the stretches in which the time went. */
export function Morning({ night }: { night: string | undefined }) {
  const clock = useClock();
  const past = useQuery({
    queryKey: keys.tonightPast(night ?? ""),
    queryFn: () => unwrap(api.GET("/api/tonight/past", { params: { query: { night } } })),
  });
  if (past.isPending) {
    return <Waiting what={say("tonight.morning.reading", "Reading the night…")} />;
  }
  if (!past.data) {
    return (
      <NotShown
        what={say("tonight.morning.cannot-be-read", "That night cannot be read")}
        error={past.error}
      />
    );
  }
  const data = past.data;
  const at = (minute: number) => clock.time(data.from + minute * 60_000);
  const longest = data.cleans
    .flatMap((c) =>
      c.parts
        .filter((p) => p.took !== null && p.took !== undefined && p.took > p.planned)
        .map((p) => ({ ...p, machine: c.machine, more: (p.took ?? 0) - p.planned })),
    )
    .sort((a, b) => b.more - a.more)
    .slice(0, 6);
  const shift = (days: number) =>
    new Date(Date.parse(`${data.night}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
  return (
    <main className="tonight">
      <div className="tonight-head">
        <h1>{say("tonight.morning.title", "How the night of {0} went", clock.day(data.from))}</h1>
        <span className="grow" />
        <Link className="btn small" to={`/tonight?night=${shift(-1)}`}>
          {say("tonight.morning.before", "The night before")}
        </Link>
        <Link className="btn small" to={`/tonight?night=${shift(1)}`}>
          {say("tonight.morning.after", "The night after")}
        </Link>
        <Link className="btn small" to="/tonight">
          {say("tonight.morning.tonight", "Tonight")}
        </Link>
      </div>
      {data.cleans.length === 0 ? (
        <p className="page-state">
          {say("tonight.morning.nothing", "Nothing was planned or done that night.")}
        </p>
      ) : (
        <div className="tonight-body">
          <section aria-label={say("tonight.morning.label", "Planned and done")}>
            {!data.inPlan && (
              <p className="quiet">
                {say(
                  "tonight.morning.no-plan",
                  "There was no plan for it; the minutes beside are those of the procedures.",
                )}
              </p>
            )}
            <ul className="past">
              {data.cleans.map((c) => (
                <PastRow key={c.procedure} clean={c} minutes={data.minutes} at={at} />
              ))}
            </ul>
          </section>
          <aside className="tonight-side">
            <section aria-label={say("tonight.morning.where", "Where the time went")}>
              <h2>{say("tonight.morning.where", "Where the time went")}</h2>
              {longest.length === 0 && (
                <p className="quiet">
                  {say("tonight.morning.none-longer", "Nothing took longer than planned.")}
                </p>
              )}
              <ul>
                {longest.map((p) => (
                  <li key={p.machine + p.name}>
                    <strong>{p.machine}</strong> {toldTask(p.name)}
                    <small>
                      {say(
                        "tonight.morning.instead",
                        "{0} min instead of {1}; {2}",
                        p.took ?? 0,
                        p.planned,
                        p.people.join(", "),
                      )}
                    </small>
                    {p.slowest && (
                      <small>{say("tonight.morning.slowest", "Longest in it: {0}", told(p.slowest))}</small>
                    )}
                  </li>
                ))}
              </ul>
              <p className="quiet">
                {say(
                  "tonight.morning.feeds",
                  "From three rounds on, the next plan takes these times instead of the planned ones.",
                )}
              </p>
            </section>
          </aside>
        </div>
      )}
    </main>
  );
}

type RowProps = { clean: Clean; minutes: number; at: (minute: number) => string };

/** A clean as two lines over the night: thin as it was planned, thick as it was. */
function PastRow({ clean: c, minutes, at }: RowProps) {
  const x = (minute: number) => (Math.min(minutes, Math.max(0, minute)) / minutes) * WIDE;
  const end = c.to ?? minutes;
  return (
    <li>
      <span>
        <strong>{c.machine}</strong>
        <small>{told(c.title)}</small>
      </span>
      <svg viewBox={`0 0 ${WIDE} 26`} role="img" aria-label={said(c, at)}>
        <path d={`M0 21H${WIDE}`} className="night-hour" />
        {c.plannedFrom !== null && c.plannedFrom !== undefined && (
          <path d={`M${x(c.plannedFrom)} 7H${x(c.plannedTo ?? c.plannedFrom)}`} className="past-planned" />
        )}
        {c.from !== null && c.from !== undefined && (
          <path d={`M${x(c.from)} 16H${x(end)}`} className="past-took" />
        )}
        {c.released !== null && c.released !== undefined && (
          <path d={`M${x(c.released)} 10v12`} className="past-released" />
        )}
      </svg>
      <small>{said(c, at)}</small>
    </li>
  );
}

function said(c: Clean, at: (minute: number) => string): string {
  if (c.from === null || c.from === undefined) {
    return say("tonight.morning.not-done", "was planned, and was not begun");
  }
  const work = say("tonight.morning.work", "{0} min of work, planned {1}", c.hands, c.plannedHands);
  return c.to === null || c.to === undefined
    ? say("tonight.morning.open", "begun at {0}, not handed over; {1}", at(c.from), work)
    : say("tonight.morning.from-to", "{0} to {1}; {2}", at(c.from), at(c.to), work);
}
