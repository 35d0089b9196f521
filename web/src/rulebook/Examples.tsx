import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import { Small } from "../ribbon/Small";
import { useWording } from "../ribbon/useWording";
import { type Actions, BECAME, type Names, namesOf } from "../ribbon/words";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { sentence, told, useReading } from "../shared/texts";
import { titleOf } from "./titles";

type Props = { rule: Schemas["RuleView"]; figures: Schemas["FigureView"][] };

/** Two examples of a rule that run live: another figure may flip them. Nothing here is saved. */
export function Examples({ rule, figures }: Props) {
  const [tries, setTries] = useState<Record<string, string>>({});
  const numbers = Object.fromEntries(
    Object.entries(tries)
      .map(([id, text]) => [id, Number(text.replace(",", "."))] as const)
      .filter(([id, v]) => tries[id].trim() !== "" && Number.isFinite(v) && v > 0),
  );
  const run = useQuery({
    queryKey: keys.examples(rule.id, rule.title, numbers),
    queryFn: ({ signal }) =>
      unwrap(
        api.POST("/api/rulebook/rules/{id}/examples", {
          params: { path: { id: rule.id } },
          body: { title: rule.title, figures: numbers },
          signal,
        }),
      ),
    placeholderData: (before) => before,
  });
  const machine = run.data?.machine;
  useReading(machine);
  const { sheet, chemicals, actions } = useWording(machine);
  const names = useMemo(() => namesOf(sheet.data, chemicals.data), [sheet.data, chemicals.data]);
  if (run.isError) {
    return <p className="note stop">{message(run.error)}</p>;
  }
  if (!run.data || !actions.data || (machine && !sheet.data)) {
    return <p className="quiet">{say("rulebook.examples.running-it", "Running it…")}</p>;
  }
  const { broken, kept, slip, around } = run.data;
  if (!broken || !kept) {
    return (
      <p className="quiet">
        {say(
          "rulebook.examples.no-approved-procedure-of-this-site",
          "No approved procedure of this site can show it: none of its machines has what this rule looks at.",
        )}
      </p>
    );
  }
  const written = { machine, names, actions: actions.data };
  const asked = run.data.figures.flatMap((id) => figures.filter((f) => f.id === id));
  return (
    <div className="examples">
      <Example name={say("rulebook.examples.with-one-slip", "With one slip")} view={broken} {...written}>
        {around ? sentence(around) : slip.map(slipped).join("; ")}
      </Example>
      <Example name={say("rulebook.examples.as-approved", "As approved")} view={kept} {...written} />
      {asked.length > 0 && (
        <section
          className="tries"
          aria-label={say("rulebook.examples.try-another-figure", "Try another figure")}
        >
          <p className="try">{say("rulebook.examples.try-another-figure", "Try another figure")}</p>
          {asked.map((f) => (
            <label key={f.id}>
              <span>{titleOf(f)}</span>
              <input
                inputMode="decimal"
                value={tries[f.id] ?? String(f.value)}
                aria-invalid={tries[f.id] !== undefined && numbers[f.id] === undefined}
                onChange={(e) => setTries({ ...tries, [f.id]: e.currentTarget.value })}
              />
              {f.unit}
            </label>
          ))}
          {Object.keys(tries).length > 0 && (
            <button className="btn small" type="button" onClick={() => setTries({})}>
              {say("rulebook.examples.back-to-what-holds-here", "Back to what holds here")}
            </button>
          )}
        </section>
      )}
    </div>
  );
}

/** "Changed: step 12." */
function slipped(s: Schemas["ExampleSlip"]): string {
  const step = say("procedures.compare.step", "step {0}", s.was ?? s.is);
  return `${BECAME[s.kind]}: ${s.was && s.is && s.was !== s.is ? say("procedures.compare.step-now", "step {0}, now {1}", s.was, s.is) : step}`;
}

type ExampleProps = {
  name: string;
  view: Schemas["ExampleView"];
  machine: string | undefined;
  names: Names;
  actions: Actions;
  children?: string;
};

function Example(p: ExampleProps) {
  const { finding, procedure } = p.view;
  return (
    <section className={finding ? "example breaks" : "example keeps"} aria-live="polite">
      <h3>
        {p.name}:{" "}
        <b>
          {finding
            ? say("rulebook.examples.breaks-it", "breaks it")
            : say("rulebook.examples.keeps-it", "keeps it")}
        </b>
      </h3>
      <p className="quiet">
        {p.machine}, {told(procedure)}
        {p.children && `. ${p.children}`}
      </p>
      <Small
        ribbon={p.view.ribbon}
        first={p.view.first}
        steps={p.view.steps}
        names={p.names}
        actions={p.actions}
        lit={finding?.step ?? 0}
      />
      {finding && (
        <p>
          {sentence(finding.said)} <span className="quiet">{sentence(finding.why)}</span>
        </p>
      )}
    </section>
  );
}
