import { useQuery } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import { ForACalendar } from "../shared/ForACalendar";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say, spoken } from "../shared/say";
import { DEPTHS, type DueAhead, everyDay, nameOf } from "./words";

type Props = {
  now: Schemas["DueNow"];
  year: boolean;
  params: URLSearchParams;
  put: (to: Record<string, string | null>) => void;
};

const DAY = 86_400_000;
const plus = (day: string, n: number) => new Date(Date.parse(day) + n * DAY).toISOString().slice(0, 10);

/**
 * The days ahead, running down like the steps of a ribbon: each machine is a thread; a mark stands where something
 * deeper than the daily clean falls. The year runs down by weeks.
 */
export function Calendar({ now, year, params, put }: Props) {
  const last = plus(now.today, year ? 364 : 34);
  const ahead = useQuery({
    queryKey: keys.dueAhead(last),
    queryFn: () => unwrap(api.GET("/api/due/ahead", { params: { query: { until: last } } })),
  });
  const only = params.get("machine") ?? "";
  const person = params.get("person") ?? "";
  const people = useQuery({
    queryKey: keys.tonight(""),
    queryFn: () => unwrap(api.GET("/api/tonight", { params: { query: {} } })),
    staleTime: 60_000,
  });
  if (ahead.isPending) {
    return <Waiting part what={say("due.calendar.loading", "Laying out the days…")} />;
  }
  if (!ahead.data) {
    return <NotShown part error={ahead.error} again={() => ahead.refetch()} />;
  }
  const machines = [...new Set(ahead.data.map((a) => a.machine ?? SITE))].sort((a, b) =>
    a === SITE ? 1 : b === SITE ? -1 : a.localeCompare(b),
  );
  // Whoever is trained on a machine can be asked to do what falls due on it.
  const theirs = people.data?.people.find((p) => p.id === person)?.machines;
  const columns = machines.filter(
    (m) => (only === "" || m === only) && (theirs === undefined || theirs.includes(m)),
  );
  const rows: { day: string; until: string }[] = [];
  for (let day = now.today; day <= last; day = plus(day, year ? 7 : 1)) {
    rows.push({ day, until: plus(day, year ? 6 : 0) });
  }
  return (
    <div className="due-days">
      <div className="due-filter no-print">
        <label>
          {say("due.list.machine", "Machine")}{" "}
          <select value={only} onChange={(e) => put({ machine: e.currentTarget.value || null })}>
            <option value="">{say("due.list.all-machines", "all")}</option>
            {machines.map((m) => (
              <option key={m} value={m}>
                {m === SITE ? say("due.calendar.site", "the site") : m}
              </option>
            ))}
          </select>
        </label>
        <label>
          {say("due.calendar.person", "Person")}{" "}
          <select value={person} onChange={(e) => put({ person: e.currentTarget.value || null })}>
            <option value="">{say("due.calendar.everybody", "everybody")}</option>
            {(people.data?.people ?? [])
              .filter((p) => p.works)
              .map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
          </select>
        </label>
        <span className="grow" />
        <ForACalendar of="due" />
        <button className="btn small" type="button" onClick={() => window.print()}>
          {say("due.calendar.print", "Print")}
        </button>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by the keyboard */}
      <div className="due-cloth" tabIndex={0}>
        <table>
          <caption className="sr-only">
            {year
              ? say("due.calendar.year-caption", "What falls due in the next year, by week")
              : say("due.calendar.month-caption", "What falls due in the next five weeks, by day")}
          </caption>
          <thead>
            <tr>
              <th scope="col">
                {year ? say("due.calendar.week", "Week of") : say("due.calendar.day", "Day")}
              </th>
              {columns.map((m) => (
                <th key={m} scope="col">
                  {m === SITE ? say("due.calendar.site", "the site") : m}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.day} className={sunday(r.day) && !year ? "week-ends" : ""}>
                <th scope="row">{dayName(r.day, year)}</th>
                {columns.map((m) => (
                  <Cell
                    key={m}
                    all={ahead.data.filter(
                      (a) => (a.machine ?? SITE) === m && a.day >= r.day && a.day <= r.until,
                    )}
                    wide={columns.length === 1}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet due-legend">
        <span className="due-line" aria-hidden="true" /> {say("due.calendar.legend-daily", "daily clean")}
        <Mark of="WEEKLY" /> {DEPTHS.WEEKLY}
        <Mark of="MONTHLY" /> {DEPTHS.MONTHLY}
        <Mark of="QUARTERLY" /> {say("due.calendar.legend-deep", "quarterly and yearly")}
        <Mark of="UPKEEP" /> {say("due.calendar.legend-upkeep", "upkeep, parts, checks")}
      </p>
    </div>
  );
}

const SITE = "";

const sunday = (day: string) => new Date(Date.parse(day)).getUTCDay() === 0;

const dayName = (day: string, year: boolean) =>
  new Intl.DateTimeFormat(spoken() === "en" ? "en-GB" : spoken(), {
    timeZone: "UTC",
    ...(year ? {} : { weekday: "short" as const }),
    day: "numeric",
    month: "short",
  }).format(Date.parse(day));

function Cell({ all, wide }: { all: DueAhead[]; wide: boolean }) {
  const daily = all.some((a) => everyDay(a.depth));
  const marks = all.filter((a) => !everyDay(a.depth));
  const words = all.map((a) => nameOf(a)).join(", ");
  return (
    <td className={daily ? "daily" : ""} title={words}>
      <span className="sr-only">{words || say("due.calendar.nothing", "nothing")}</span>
      {marks.map((a) => (
        <Mark key={a.task} of={a.kind === "CLEAN" ? (a.depth ?? "UPKEEP") : "UPKEEP"} />
      ))}
      {wide && <span aria-hidden="true"> {marks.map((a) => nameOf(a)).join(", ")}</span>}
    </td>
  );
}

/** How deep, as a shape. */
function Mark({ of }: { of: string }) {
  return (
    <svg className="due-mark" viewBox="0 0 16 16" aria-hidden="true">
      {of === "WEEKLY" && <path d="M8 1L15 8L8 15L1 8Z" />}
      {of === "MONTHLY" && <path className="full" d="M8 1L15 8L8 15L1 8Z" />}
      {(of === "QUARTERLY" || of === "YEARLY") && (
        <path className="full" d="M8 0L16 8L8 16L0 8ZM3 8L13 8" stroke="currentColor" />
      )}
      {of === "UPKEEP" && <circle cx="8" cy="8" r="4.5" />}
    </svg>
  );
}
