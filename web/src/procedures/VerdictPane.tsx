import { useState } from "react";
import type { CoreText, Schemas } from "../api/client";
import type { Edit, Step } from "../ribbon/draft";
import { type Actions, editLine, type Names } from "../ribbon/words";
import { say } from "../shared/say";
import { piece, sentence, told } from "../shared/texts";
import { cost } from "./Difference";

type Verdict = Schemas["VerdictDocument"];
type Finding = Schemas["FindingDocument"];

type Props = {
  verdict: Verdict;
  steps: Step[];
  names: Names;
  actions: Actions;
  lit: Finding | null;
  onShow: (f: Finding) => void;
  onApply: (edits: Edit[], label: string) => void;
  onMendAll: () => void;
  editable: boolean;
  /** The remedies are proven for what is written now. */
  proven: boolean;
  /** Place of the configuration that the ribbon shows. */
  configuration: number;
  onConfiguration: (place: number) => void;
};

/** Groups: a root with what follows from it. */
function groups(findings: Finding[]): { root: Finding; index: number; follows: Finding[] }[] {
  return findings.flatMap((root, index) =>
    root.under === undefined || root.under === null
      ? [{ root, index, follows: findings.filter((f) => f.under === index) }]
      : [],
  );
}

/** Of a configuration only the groups in which these differ. */
function differing(options: CoreText[], all: Verdict["configurations"]): string {
  const some = options.filter((x) => all.some((c) => !c.options.some((o) => o.english === x.english)));
  return (some.length > 0 ? some : options).map(told).join(", ");
}

const KINDS = ["STOP", "FIX", "ADVISE"];

export function VerdictPane(p: Props) {
  const v = p.verdict;
  const [only, setOnly] = useState("");
  const every = groups(v.findings);
  const all = every.filter((g) => only === "" || g.root.severity === only);
  const mendable = every.filter((g) => g.root.remedies.length > 0).length;
  return (
    <section className="verdict" aria-label={say("procedures.verdict-pane.verdict", "Verdict")}>
      <h2>{say("procedures.verdict-pane.what-this-procedure-leaves", "What this procedure leaves")}</h2>
      <dl className="counts">
        <Count name={say("procedures.verdict-pane.stops", "Stops")} value={v.stops} loud={v.stops > 0} />
        <Count name={say("procedures.verdict-pane.fixes", "Fixes")} value={v.fixes} loud={v.fixes > 0} />
        <Count
          name={say("procedures.verdict-pane.reached", "Reached")}
          value={say("procedures.verdict-pane.reached-of", "{0} of {1}", v.coverage.reached, v.coverage.due)}
        />
        <Count
          name={say("procedures.verdict-pane.hands-on-time", "Hands-on time")}
          value={`${Math.round(v.totals.handsOnMinutes)}\u00a0min`}
        />
        <Count
          name={say("procedures.verdict-pane.done-after", "Done after")}
          value={`${Math.round(v.totals.elapsedMinutes)}\u00a0min`}
        />
        <Count
          name={say("procedures.verdict-pane.waiting-time", "Waiting time")}
          value={`${Math.round(v.totals.waitingMinutes)}\u00a0min`}
        />
        {v.totals.waterLitres !== undefined && (
          <Count
            name={say("procedures.verdict-pane.water", "Water")}
            value={`${Math.round(v.totals.waterLitres)}\u00a0L`}
          />
        )}
        {v.totals.warmLitres !== undefined && (
          <Count
            name={say("procedures.verdict-pane.hot-water", "Hot water")}
            value={`${Math.round(v.totals.warmLitres)}\u00a0L`}
          />
        )}
        {v.totals.chemicals.length > 0 && (
          <Count
            name={say("procedures.verdict-pane.products-cost", "Products cost")}
            value={cost(v.totals)}
          />
        )}
      </dl>
      {v.configurations.length > 1 && (
        <section
          className="options"
          aria-label={say(
            "procedures.verdict-pane.by-how-the-machine-is-fitted",
            "By how the machine is fitted",
          )}
        >
          <h3>
            {say("procedures.verdict-pane.by-how-the-machine-is-fitted", "By how the machine is fitted")}
          </h3>
          <ul>
            {v.configurations.map((c, i) => (
              <li key={c.shown}>
                <label>
                  <input
                    type="radio"
                    name="fitted"
                    checked={i === p.configuration}
                    onChange={() => p.onConfiguration(i)}
                  />
                  <span>
                    {differing(c.options, v.configurations)}
                    {c.fitted && (
                      <span className="quiet"> {say("procedures.verdict-pane.fitted", "(fitted)")}</span>
                    )}
                  </span>
                </label>
                <b className={c.stops > 0 ? "loud" : ""}>
                  {c.stops + c.fixes === 0
                    ? say("procedures.verdict-pane.nothing-found", "nothing found")
                    : say("procedures.verdict-pane.stop-fix", "{0} STOP, {1} FIX", c.stops, c.fixes)}
                </b>
              </li>
            ))}
          </ul>
          <p className="quiet">
            {say(
              "procedures.verdict-pane.the-ribbon-and-the-times-show",
              "The ribbon and the times show the one that is picked.",
            )}
          </p>
        </section>
      )}
      {every.length > 1 && (
        <div className="finding-tools">
          <label>
            {say("procedures.verdict-pane.show", "Show")}
            <select value={only} onChange={(e) => setOnly(e.currentTarget.value)}>
              <option value="">{say("procedures.verdict-pane.all", "all {0}", every.length)}</option>
              {KINDS.map((k) => (
                <option key={k} value={k}>
                  {say(
                    "procedures.verdict-pane.only",
                    "{0} only ({1})",
                    k,
                    every.filter((g) => g.root.severity === k).length,
                  )}
                </option>
              ))}
            </select>
          </label>
          {p.editable && mendable > 1 && (
            <button type="button" className="btn small" disabled={!p.proven} onClick={p.onMendAll}>
              {say(
                "procedures.verdict-pane.fix-everything-that-can-be-fixed",
                "Fix everything that can be fixed safely…",
              )}
            </button>
          )}
        </div>
      )}
      {every.length === 0 && (
        <p className="note done">
          {say(
            "procedures.verdict-pane.nothing-found-by-the-rules-that",
            "Nothing found by the rules that are judged. The list of them stands below.",
          )}
        </p>
      )}
      <ol className="findings">
        {all.map(({ root, index, follows }) => (
          <li
            key={`${root.rule}-${root.stepId}-${index}`}
            className={`finding ${root.severity.toLowerCase()}`}
          >
            <h3>
              <button
                type="button"
                className="finding-title"
                aria-pressed={p.lit === root}
                onClick={() => p.onShow(root)}
              >
                <span className="sr-only">{root.severity}: </span>
                {sentence(root.said)}
              </button>
            </h3>
            <p className="quiet">{sentence(root.why)}</p>
            {follows.length > 0 && (
              <details>
                <summary>
                  {say(
                    "procedures.verdict-pane.follow-from-this",
                    "{0, plural, one {One more follows} other {# more follow}} from this",
                    follows.length,
                  )}
                </summary>
                <ul>
                  {follows.map((f) => (
                    <li key={f.rule + f.message}>
                      {sentence(f.said)} <span className="quiet">({f.rule})</span>
                    </li>
                  ))}
                </ul>
              </details>
            )}
            <p className="source">
              {say(
                "procedures.verdict-pane.by-rule",
                "{0} by rule {1}, {2}",
                root.severity,
                root.rule,
                piece(root.cited),
              )}
            </p>
            {p.editable && root.remedies.length > 0 && (
              <div className="remedies">
                {root.remedies.map((r) => (
                  <div key={r.label}>
                    <button
                      type="button"
                      className="btn mend"
                      disabled={!p.proven}
                      onClick={() => p.onApply(r.edits, sentence(r.does))}
                    >
                      {sentence(r.does)}
                    </button>
                    <ul
                      className="diff"
                      aria-label={say("procedures.verdict-pane.what-it-changes", "What it changes")}
                    >
                      {r.edits.map((e) => (
                        <li key={`${e.edit}-${e.id ?? e.step?.id}`}>
                          {editLine(e, p.steps, p.names, p.actions)}
                        </li>
                      ))}
                    </ul>
                  </div>
                ))}
              </div>
            )}
            {p.editable && root.remedies.length === 0 && (
              <p className="source">
                {p.proven
                  ? say(
                      "procedures.verdict-pane.no-edit-fixes-this-by-itself",
                      "No edit fixes this by itself; you decide what is right.",
                    )
                  : say("procedures.verdict-pane.looking-for-a-fix", "Looking for a fix…")}
              </p>
            )}
          </li>
        ))}
      </ol>
      <p className="source judged">
        {say(
          "procedures.verdict-pane.judged-by-rules-other-rules-are",
          "Judged by {0} rules: {1}. Other rules are not looked at yet and are yours to check. The label of the chemical, the manual of the machine and local code stand above this verdict.",
          v.judged.length,
          v.judged.join(" "),
        )}
      </p>
    </section>
  );
}

function Count({ name, value, loud = false }: { name: string; value: string | number; loud?: boolean }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd className={loud ? "loud" : ""}>{value}</dd>
    </div>
  );
}
