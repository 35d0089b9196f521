import { NotShown, Waiting } from "../shared/PageState";
import { inUnits, say } from "../shared/say";
import { piece, told } from "../shared/texts";
import "./rulebook.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { keys } from "../shared/keys";
import { useClock, useSession } from "../shared/session";
import { Clocks, drawn, SanitizerMaps } from "./Drawn";
import { Examples } from "./Examples";
import { SetFigure } from "./SetFigure";
import { titleOf } from "./titles";

type Figure = Schemas["FigureView"];

const ROOMS: [string, string][] = [
  ["", say("rulebook.rule-book.all-rules", "all rules")],
  ["L", say("rulebook.rule-book.making-safe", "making safe")],
  ["T", say("rulebook.rule-book.taking-apart-and-together", "taking apart and together")],
  ["C", say("rulebook.rule-book.the-clean-chain", "the clean chain")],
  ["S", say("rulebook.rule-book.chemistry-and-heat", "chemistry and heat")],
  ["R", say("rulebook.rule-book.the-record", "the record")],
];

const REGIMES: [string, string][] = [
  ["retail", say("rulebook.rule-book.retail-kitchen", "retail kitchen")],
  ["plant", say("rulebook.rule-book.food-plant", "food plant")],
  ["farm", say("rulebook.rule-book.farm-packing", "farm packing")],
];

const shown = (value: number, unit: string) => (unit === "ratio" ? `× ${value}` : `${value} ${unit}`);

/** A rule by its number and place: some numbers are kept by several small rules. */
const key = (r: Schemas["RuleView"]) => `${r.id} ${r.title.slice(0, 24)}`;

/** A site may ask for more than the code, and has to sign for less. */
function Looser() {
  return (
    <div className="override">
      {say("rulebook.rule-book.asks-for-less-than-the-code", "asks for less than the code")}
    </div>
  );
}

export default function RuleBook() {
  const [filter, set] = useFilters();
  const session = useSession();
  const clock = useClock();
  const queries = useQueryClient();
  const room = filter("group");
  const word = filter("find");
  const regime = filter("regime") || "plant";
  const looked = filter("rule");
  const [open, setOpen] = useState<Figure | null>(null);
  const book = useQuery({ queryKey: keys.rulebook(), queryFn: () => unwrap(api.GET("/api/rulebook")) });
  if (book.isError) {
    return (
      <NotShown
        what={say("rulebook.rule-book.the-rule-book-cannot-be-shown", "The rule book cannot be shown")}
        error={book.error}
        again={() => book.refetch()}
      />
    );
  }
  if (!book.data) {
    return <Waiting what={say("rulebook.rule-book.loading-the-rule-book", "Loading the rule book…")} />;
  }
  const fits = (text: string) => text.toLowerCase().includes(word.toLowerCase());
  const rules = book.data.rules.filter(
    (r) => r.id.startsWith(room) && fits(`${r.id} ${told(r.title)} ${piece(r.cited)}`),
  );
  const cited = (f: Figure) => (f.set || !f.cited[regime] ? f.source : piece(f.cited[regime]));
  const figures = book.data.figures.filter((f) => fits(`${titleOf(f)} ${cited(f)}`));
  const writes = session.data?.role === "SUPERVISOR";
  const figure = (id: string) => {
    const f = book.data.figures.find((x) => x.id === id);
    if (!f) {
      return null;
    }
    const now = inUnits(shown(f.value, f.unit), shown(f.value, f.unit));
    const tip = `${titleOf(f)} (${cited(f)})`;
    return writes ? (
      <button
        className={f.set ? "figure-set own" : "figure-set"}
        type="button"
        title={tip}
        aria-label={say("rulebook.rule-book.change-now", "Change {0}, now {1}", titleOf(f), now)}
        onClick={() => setOpen(f)}
      >
        {now}
      </button>
    ) : (
      <span title={tip}>{now}</span>
    );
  };

  return (
    <main className="page rulebook">
      <div className="page-head">
        <h1>{say("rulebook.rule-book.rule-book", "Rule book")}</h1>
        <p className="quiet">
          {say(
            "rulebook.rule-book.chemical-labels-machine-manuals-and-local",
            "{0}. Chemical labels, machine manuals and local code stand above it.",
            book.data.version,
          )}
        </p>
        <span className="grow" />
        <a className="btn small" href="/api/rulebook" download="rulebook.json">
          {say("rulebook.rule-book.export-as-json", "Export as JSON")}
        </a>
      </div>
      <div className="filters">
        <label>
          {say("rulebook.rule-book.find", "Find")}
          <input type="search" value={word} onChange={(e) => set("find", e.currentTarget.value)} />
        </label>
        <label>
          {say("rulebook.rule-book.sources-as-cited-in-a", "Sources as cited in a")}
          <select value={regime} onChange={(e) => set("regime", e.currentTarget.value)}>
            {REGIMES.map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label>
          {say("rulebook.rule-book.rules-about", "Rules about")}
          <select value={room} onChange={(e) => set("group", e.currentTarget.value)}>
            {ROOMS.map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="book">
        <section aria-label={say("rulebook.rule-book.figures", "Figures")}>
          {word === "" ? (
            <>
              <SanitizerMaps figures={book.data.figures} shown={figure} />
              <Clocks shown={figure} />
              <h2>{say("rulebook.rule-book.other-figures", "Other figures")}</h2>
              <ul className="few">
                {book.data.figures
                  .filter((f) => !drawn(f.id))
                  .map((f) => (
                    <li key={f.id}>
                      <span>
                        {titleOf(f)}
                        {f.override && <Looser />}
                      </span>
                      {figure(f.id)}
                    </li>
                  ))}
              </ul>
            </>
          ) : (
            <>
              <h2>
                {say("rulebook.rule-book.figures-that-rules-compare-with", "Figures that rules compare with")}
              </h2>
              {figures.length === 0 && (
                <p className="quiet">
                  {say("rulebook.rule-book.no-figure-has-in-it", "No figure has “{0}” in it.", word)}
                </p>
              )}
              {figures.length > 0 && (
                <table className="table figures">
                  <thead>
                    <tr>
                      <th scope="col">{say("rulebook.rule-book.what-it-limits", "What it limits")}</th>
                      <th scope="col">{say("rulebook.rule-book.holds-here", "Holds here")}</th>
                      <th scope="col">{say("rulebook.rule-book.source", "Source")}</th>
                    </tr>
                  </thead>
                  <tbody>
                    {figures.map((f) => (
                      <tr key={f.id}>
                        <td>
                          {titleOf(f)}
                          {f.override && <Looser />}
                        </td>
                        <td className="figure">
                          {figure(f.id)}
                          {f.set && (
                            <div className="quiet">
                              {say("rulebook.rule-book.code", "code: {0}", shown(f.shipped, f.unit))}
                            </div>
                          )}
                        </td>
                        <td className="quiet">{cited(f)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
            </>
          )}
          {book.data.changes.length > 0 && (
            <>
              <h2>{say("rulebook.rule-book.what-this-site-has-set", "What this site has set")}</h2>
              <ul className="changes">
                {book.data.changes.map((c) => (
                  <li key={c.at}>
                    {clock.day(c.at)} {clock.time(c.at)}, {c.who}:{" "}
                    {titleOf(book.data.figures.find((f) => f.id === c.figure))}{" "}
                    {c.value === undefined || c.value === null
                      ? say("rulebook.rule-book.back-to-the-code", "back to the code")
                      : say("rulebook.rule-book.to", "to {0}", c.value)}
                    . <span className="quiet">{c.reason}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </section>
        <section aria-label={say("rulebook.rule-book.rules", "Rules")}>
          <h2>
            {say(
              "rulebook.rule-book.rules-that-every-procedure-is-run",
              "{0, plural, one {# rule} other {# rules}} that every procedure is run against",
              rules.length,
            )}
          </h2>
          {rules.length === 0 && (
            <p className="quiet">
              {say("rulebook.rule-book.no-rule-has-in-it", "No rule has “{0}” in it.", word)}
            </p>
          )}
          {ROOMS.filter(([letter]) => letter !== "" && rules.some((r) => r.id.startsWith(letter))).map(
            ([letter, name]) => (
              <section key={letter} aria-label={name}>
                <h3>{name.replace(/^./, (c) => c.toUpperCase())}</h3>
                <ol className="rules">
                  {rules
                    .filter((r) => r.id.startsWith(letter))
                    .map((r) => (
                      <li key={r.id + r.title} className={`rule ${r.severity.toLowerCase()}`}>
                        <b>{told(r.title)}</b>
                        <span className="quiet">
                          {r.id}, {r.severity}, {piece(r.cited)}
                        </span>
                        <button
                          className="rule-run"
                          type="button"
                          aria-expanded={looked === key(r)}
                          aria-label={say(
                            "rulebook.rule-book.of",
                            "{0} of {1}",
                            looked === key(r)
                              ? say("rulebook.rule-book.close-the-examples", "Close the examples")
                              : say("rulebook.rule-book.two-examples", "Two examples"),
                            r.title,
                          )}
                          onClick={() => set("rule", looked === key(r) ? "" : key(r))}
                        >
                          {looked === key(r)
                            ? say("rulebook.rule-book.close-the-examples", "Close the examples")
                            : say("rulebook.rule-book.two-examples", "Two examples")}
                        </button>
                        {looked === key(r) && <Examples rule={r} figures={book.data.figures} />}
                      </li>
                    ))}
                </ol>
              </section>
            ),
          )}
        </section>
      </div>
      {open && (
        <SetFigure
          figure={open}
          cited={cited(open)}
          onClose={() => setOpen(null)}
          onSaved={(next) => {
            setOpen(null);
            queries.setQueryData(keys.rulebook(), next);
          }}
        />
      )}
    </main>
  );
}
