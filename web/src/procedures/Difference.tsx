import type { Schemas } from "../api/client";

type Difference = Schemas["Difference"];

type Totals = Schemas["Totals"];

/** An amount of a product as it is measured out. */
const amount = (litres: number) =>
  litres < 1 ? `${(litres * 1000).toPrecision(3).replace(/\.0+$/, "")} mL` : `${litres.toFixed(2)} L`;

const liters = (v: number | undefined) => (v === undefined ? "not stated" : `${Math.round(v)} L`);

const used = (u: Schemas["Used"] | undefined) =>
  !u
    ? "none"
    : u.unsaid === 0
      ? amount(u.litres)
      : u.litres > 0
        ? `more than ${amount(u.litres)}`
        : "not stated";

/** What the products cost; more where a step does not say how much it takes. */
export function cost(t: Totals): string {
  const sum = t.chemicals.reduce((s, u) => s + u.cost, 0).toFixed(2);
  return t.chemicals.some((u) => u.unsaid > 0) ? `more than ${sum}` : sum;
}

const ROWS: [string, (s: Schemas["Sums"]) => string][] = [
  ["Stops", (s) => String(s.stops)],
  ["Fixes", (s) => String(s.fixes)],
  ["Reached", (s) => `${s.reached} of ${s.due}`],
  ["Hands-on time", (s) => `${Math.round(s.totals.handsOnMinutes)} min`],
  ["Done after", (s) => `${Math.round(s.totals.elapsedMinutes)} min`],
  ["Waiting time", (s) => `${Math.round(s.totals.waitingMinutes)} min`],
  ["People at once", (s) => String(s.totals.people)],
  ["Water", (s) => liters(s.totals.waterLitres)],
  ["hot water", (s) => liters(s.totals.waterLitres === undefined ? undefined : (s.totals.warmLitres ?? 0))],
  ["Products cost", (s) => cost(s.totals)],
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
    ["come", "New findings", d.come],
    ["gone", "No longer found", d.gone],
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
                    <b>{f.severity}</b> {f.message} <span className="quiet">({f.rule})</span>
                    {key === "come" && f.stepId && onShow && (
                      <button type="button" className="btn small" onClick={() => onShow(f.stepId ?? "")}>
                        Show step {f.step}
                      </button>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          ),
      )}
      {d.come.length + d.gone.length === 0 && <p className="note">The verdict is the same.</p>}
    </>
  );
}
