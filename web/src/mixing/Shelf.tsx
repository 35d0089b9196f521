import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { api, unwrap } from "../api/client";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";
import { fading, labelIn, type Solution, type Standing, solutionsOf } from "../solution/shelf";
import type { Table } from "../solution/table";
import { ENDS } from "./asked";

const SAYS: Record<Standing, string> = {
  FRESH: say("mixing.shelf.usable", "usable"),
  SOON: say("mixing.shelf.change-soon", "change it within 15 minutes"),
  UNREAD: say("mixing.shelf.read-first", "corrected: read it first"),
  OVER: say("mixing.shelf.too-old", "too old: change it"),
  OUT: say("mixing.shelf.poured-out", "poured out"),
};
const ORDER: Standing[] = ["OVER", "UNREAD", "SOON", "FRESH", "OUT"];

/** What stands where: made when and by whom, how strong by its readings, and until when it holds. */
export function Shelf({ table }: { table: Table }) {
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [params] = useSearchParams();
  const asked = params.get("label") ? labelIn(params.get("label") ?? "") : undefined;
  const now = tabletNow();
  const all = solutionsOf(site.newest, now);
  const sorted = [...all].sort((a, b) => ORDER.indexOf(a.standing) - ORDER.indexOf(b.standing));
  const found = asked ? sorted.find((s) => s.label === asked) : undefined;
  return (
    <div className="page">
      <h1>{say("mixing.shelf.solutions-on-site", "Solutions on site")}</h1>
      {asked && !found && (
        <p className="note stop" role="alert">
          {say(
            "mixing.shelf.unknown-label",
            "No solution of this site has the label {0}, or its vessel was filled anew since.",
            asked,
          )}
        </p>
      )}
      {all.length === 0 && (
        <p className="page-state">
          {say(
            "mixing.shelf.nothing-yet",
            "Nothing was mixed and written down yet. It begins under “Mix and check”.",
          )}
        </p>
      )}
      <ul className="shelf">
        {(found ? [found, ...sorted.filter((s) => s !== found)] : sorted).map((s) => (
          <OnTheShelf key={s.vessel} solution={s} table={table} now={now} lit={s === found} />
        ))}
      </ul>
    </div>
  );
}

type Props = { solution: Solution; table: Table; now: number; lit: boolean };

function OnTheShelf({ solution: s, table, now, lit }: Props) {
  const clock = useClock();
  const product = table.pack.products.find((p) => p.id === s.chemical);
  const vessel = table.pack.vessels.find((v) => v.id === s.vessel);
  const last = s.readings.at(-1);
  const fade = fadeOf(table, s);
  const litres = Math.round(s.litres * 10) / 10;
  return (
    <li className={`on-shelf ${s.standing.toLowerCase()}${lit ? " lit" : ""}`}>
      <div>
        <strong>{told(vessel?.name ?? s.vessel)}</strong>
        {s.label ? (
          <Link className="on-shelf-label" to={`/mixing?show=shelf&label=${s.label}`}>
            {s.label}
          </Link>
        ) : (
          <span className="on-shelf-label">–</span>
        )}
      </div>
      <div>
        {product?.name ?? s.chemical}, {say("mixing.pour.liters", "{0} L", litres)}
        <small>
          {say("mixing.shelf.made-by", "made {0} {1} by {2}", clock.day(s.at), clock.time(s.at), s.who)}
        </small>
        {s.purpose && <small>{say("mixing.shelf.for", "for {0}", told(s.purpose))}</small>}
      </div>
      <div>
        {last
          ? say("mixing.shelf.last-read", "{0} mg/L, read {1}", last.mgPerL, clock.time(last.at))
          : s.mgPerL === undefined
            ? say("mixing.shelf.by-volume", "dosed by volume")
            : say("mixing.shelf.not-read", "{0} mg/L as mixed, not read yet", Math.round(s.mgPerL))}
        {s.corrections.length > 0 && (
          <small>
            {say(
              "mixing.shelf.corrected",
              "{0, plural, one {corrected once} other {corrected # times}}",
              s.corrections.length,
            )}
          </small>
        )}
        {fade && <small>{fade}</small>}
      </div>
      <Strength solution={s} now={now} />
      <div className="on-shelf-until">
        <strong>{SAYS[s.standing]}</strong>
        {s.until !== undefined && s.standing !== "OUT" && (
          <small>
            {say("mixing.shelf.change-by", "change by {0}", clock.time(s.until))}
            {s.why && `: ${ENDS[s.why]}`}
          </small>
        )}
        {s.standing !== "OUT" && (
          <Link to={`/mixing?show=mix&product=${s.chemical}&vessel=${s.vessel}&litres=${litres}`}>
            {say("mixing.shelf.read-it", "Read or correct it")}
          </Link>
        )}
      </div>
      {lit && <Story solution={s} />}
    </li>
  );
}

/** All that was done with it, in its order, and which rounds used it. */
function Story({ solution: s }: { solution: Solution }) {
  const clock = useClock();
  const uses = useQuery({
    queryKey: keys.uses(s.label ?? ""),
    queryFn: () =>
      unwrap(api.GET("/api/mixing/solutions/{label}/rounds", { params: { path: { label: s.label ?? "" } } })),
    enabled: s.label !== undefined,
  });
  const lines = [
    ...s.readings.map((r) => ({
      at: r.at,
      text: say("mixing.shelf.was-read", "read: {0} mg/L, by {1}", r.mgPerL, r.who),
    })),
    ...s.corrections.map((c) => ({
      at: c.at,
      text: say(
        "mixing.shelf.was-corrected",
        "corrected with {0} mL, by {1}",
        Math.round(c.litres * 1000),
        c.who,
      ),
    })),
    ...(uses.data ?? []).map((u) => ({
      at: u.at,
      text: say(
        "mixing.shelf.was-used",
        "used for {0} {1}, step {2}, by {3}",
        u.machine,
        told(u.title),
        u.step,
        u.who,
      ),
    })),
    ...(s.emptiedAt === undefined
      ? []
      : [{ at: s.emptiedAt, text: say("mixing.shelf.was-poured-out", "poured out") }]),
  ].sort((a, b) => a.at - b.at);
  return (
    <div className="on-shelf-story">
      <h2>{say("mixing.shelf.its-record", "Its record")}</h2>
      <ol>
        <li>
          {clock.time(s.at)} {say("mixing.shelf.was-made", "made, by {0}", s.who)}
        </li>
        {lines.map((l) => (
          <li key={`${l.at} ${l.text}`}>
            {clock.time(l.at)} {l.text}
          </li>
        ))}
      </ol>
      {uses.isError && (
        <p className="quiet">
          {say("mixing.shelf.uses-not-heard", "Which rounds used it can only be said with signal.")}
        </p>
      )}
    </div>
  );
}

/** When it falls to its least, by its own readings; nothing where they do not tell. */
function fadeOf(table: Table, s: Solution): string | null {
  const readings = fading(s);
  const product = table.pack.products.find((p) => p.id === s.chemical);
  const least = product?.leastMgPerL;
  if (readings.length < 2 || !least) {
    return null;
  }
  const from = readings[0].at;
  const answer = table.compute("fade", {
    readings: readings.map((r) => `${(r.at - from) / 3_600_000}h:${r.mgPerL}mg/L`).join(","),
    minimum: `${least}mg/L`,
  });
  if (answer.said !== undefined || !answer.result) {
    return null;
  }
  return say(
    "mixing.shelf.falls-to",
    "falls to {0} mg/L about {1} h after its first reading",
    least,
    Math.round(answer.result.value * 10) / 10,
  );
}

/** Its readings over the hours, as a line. */
function Strength({ solution: s, now }: { solution: Solution; now: number }) {
  if (s.readings.length === 0) {
    return <span />;
  }
  const from = s.at;
  const to = Math.max(s.until ?? now, now, from + 1);
  const most = Math.max(...s.readings.map((r) => r.mgPerL), s.mgPerL ?? 0, 1) * 1.1;
  const x = (t: number) => 4 + ((t - from) / (to - from)) * 152;
  const y = (c: number) => 44 - (c / most) * 38;
  const points = [...(s.mgPerL ? [{ at: from, mgPerL: s.mgPerL }] : []), ...s.readings];
  return (
    <svg
      className="on-shelf-line"
      viewBox="0 0 160 48"
      role="img"
      aria-label={say(
        "mixing.shelf.readings",
        "Readings: {0}",
        s.readings.map((r) => `${r.mgPerL} mg/L`).join(", "),
      )}
    >
      <path d="M4 44H156" />
      <polyline points={points.map((p) => `${x(p.at)},${y(p.mgPerL)}`).join(" ")} />
      {s.readings.map((r) => (
        <circle key={r.at} cx={x(r.at)} cy={y(r.mgPerL)} r="3" />
      ))}
      {s.until !== undefined && <path d={`M${x(s.until)} 6V44`} className="until" />}
    </svg>
  );
}
