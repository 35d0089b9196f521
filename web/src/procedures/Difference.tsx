import type { Schemas } from "../api/client";
import { say } from "../shared/say";
import { sentence } from "../shared/texts";

type Difference = Schemas["Difference"];

type Totals = Schemas["Totals"];

/** An amount of a product as it is measured out. */
const amount = (litres: number) =>
  litres < 1
    ? say("procedures.difference.ml", "{0} mL", (litres * 1000).toPrecision(3).replace(/\.0+$/, ""))
    : `${litres.toFixed(2)} L`;

const liters = (v: number | undefined) =>
  v === undefined ? say("procedures.difference.not-stated", "not stated") : `${Math.round(v)} L`;

const used = (u: Schemas["Used"] | undefined) =>
  !u
    ? say("procedures.difference.none", "none")
    : u.unsaid === 0
      ? amount(u.litres)
      : u.litres > 0
        ? say("procedures.difference.more-than", "more than {0}", amount(u.litres))
        : say("procedures.difference.not-stated", "not stated");

/** What the products cost; more where a step does not say how much it takes. */
export function cost(t: Totals): string {
  const sum = t.chemicals.reduce((s, u) => s + u.cost, 0).toFixed(2);
  return t.chemicals.some((u) => u.unsaid > 0)
    ? say("procedures.difference.more-than", "more than {0}", sum)
    : sum;
}

const ROWS: [string, (s: Schemas["Sums"]) => string][] = [
  [say("procedures.difference.stops", "Stops"), (s) => String(s.stops)],
  [say("procedures.difference.fixes", "Fixes"), (s) => String(s.fixes)],
  [
    say("procedures.difference.reached", "Reached"),
    (s) => say("procedures.difference.of", "{0} of {1}", s.reached, s.due),
  ],
  [
    say("procedures.difference.hands-on-time", "Hands-on time"),
    (s) => say("procedures.difference.min", "{0} min", Math.round(s.totals.handsOnMinutes)),
  ],
  [
    say("procedures.difference.done-after", "Done after"),
    (s) => say("procedures.difference.min", "{0} min", Math.round(s.totals.elapsedMinutes)),
  ],
  [
    say("procedures.difference.waiting-time", "Waiting time"),
    (s) => say("procedures.difference.min", "{0} min", Math.round(s.totals.waitingMinutes)),
  ],
  [say("procedures.difference.people-at-once", "People at once"), (s) => String(s.totals.people)],
  [say("procedures.difference.water", "Water"), (s) => liters(s.totals.waterLitres)],
  [
    say("procedures.difference.hot-water", "hot water"),
    (s) => liters(s.totals.waterLitres === undefined ? undefined : (s.totals.warmLitres ?? 0)),
  ],
  [say("procedures.difference.products-cost", "Products cost"), (s) => cost(s.totals)],
];

/** A line for each product that either of them uses. */
function products(d: Difference): typeof ROWS {
  const all = [...d.before.totals.chemicals, ...d.now.totals.chemicals];
  return [...new Map(all.map((u) => [u.chemical, u.name]))].map(([id, name]) => [
    name,
    (s) => used(s.totals.chemicals.find((u) => u.chemical === id)),
  ]);
}

/** What both come to, side by side; what is not the same stands bold. */
export function SideBySide({ d, before, now }: { d: Difference; before: string; now: string }) {
  return (
    <table className="side-by-side">
      <thead>
        <tr>
          <td />
          <th scope="col">{before}</th>
          <th scope="col">{now}</th>
        </tr>
      </thead>
      <tbody>
        {[...ROWS, ...products(d)].map(([name, shown]) => {
          const same = shown(d.before) === shown(d.now);
          return (
            <tr key={name} className={same ? undefined : "differs"}>
              <th scope="row">{name}</th>
              <td>{shown(d.before)}</td>
              <td>{shown(d.now)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

type FindingsProps = { d: Difference; onShow?: (stepId: string) => void };

/** Findings that came and findings that went. */
export function CameAndWent({ d, onShow }: FindingsProps) {
  const lists: [string, string, Schemas["FindingDocument"][]][] = [
    ["come", say("procedures.difference.new-findings", "New findings"), d.come],
    ["gone", say("procedures.difference.no-longer-found", "No longer found"), d.gone],
  ];
  return (
    <>
      {lists.map(
        ([key, title, findings]) =>
          findings.length > 0 && (
            <section key={key} aria-label={title}>
              <h3>
                {title} ({findings.length})
              </h3>
              <ul className={`differences ${key}`}>
                {findings.map((f, i) => (
                  <li key={`${f.rule}-${f.stepId}-${i}`}>
                    <b>{f.severity}</b> {sentence(f.said)} <span className="quiet">({f.rule})</span>
                    {key === "come" && f.stepId && onShow && (
                      <button type="button" className="btn small" onClick={() => onShow(f.stepId ?? "")}>
                        {say("procedures.difference.show-step", "Show step {0}", f.step)}
                      </button>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          ),
      )}
      {d.come.length + d.gone.length === 0 && (
        <p className="note">
          {say("procedures.difference.the-verdict-is-the-same", "The verdict is the same.")}
        </p>
      )}
    </>
  );
}
