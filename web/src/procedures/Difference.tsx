import type { Schemas } from "../api/client";

type Difference = Schemas["Difference"];

const ROWS: [string, (s: Schemas["Sums"]) => string][] = [
  ["Stops", (s) => String(s.stops)],
  ["Fixes", (s) => String(s.fixes)],
  ["Reached", (s) => `${s.reached} of ${s.due}`],
  ["Hands-on", (s) => `${Math.round(s.handsOnMinutes)} min`],
  ["Ready after", (s) => `${Math.round(s.elapsedMinutes)} min`],
  ["Waiting", (s) => `${Math.round(s.waitingMinutes)} min`],
  ["Water", (s) => (s.waterLitres === undefined ? "not stated" : `${Math.round(s.waterLitres)} L`)],
];

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
        {ROWS.map(([name, shown]) => {
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
