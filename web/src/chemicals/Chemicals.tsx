import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { piece, told } from "../shared/texts";
import "./chemicals.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import { useFilters } from "../shared/filters";
import { keys } from "../shared/keys";
import { useSession, useSite } from "../shared/session";
import { EditChemical } from "./EditChemical";
import { EditVessels } from "./EditVessels";

type Chemical = Schemas["ChemicalView"];

/** What the site may use: the label first, then what to wear and what it must never meet. */
export default function Chemicals() {
  const [filter, set] = useFilters();
  const word = filter("find");
  const use = filter("for");
  const site = useSite();
  const session = useSession();
  const queries = useQueryClient();
  const writes = session.data?.role === "SUPERVISOR";
  const editing = filter("edit");
  const done = () => {
    set("edit", "");
    queries.invalidateQueries({ queryKey: keys.site() });
    queries.invalidateQueries({ queryKey: keys.uncovered() });
  };
  const chemicals = useQuery({
    queryKey: keys.chemicals(),
    queryFn: () => unwrap(api.GET("/api/chemicals")),
  });
  if (chemicals.isError) {
    return (
      <NotShown
        what={say("chemicals.chemicals.the-chemicals-cannot-be-shown", "The chemicals cannot be shown")}
        error={chemicals.error}
        again={() => chemicals.refetch()}
      />
    );
  }
  if (!chemicals.data) {
    return <Waiting what={say("chemicals.chemicals.loading-the-chemicals", "Loading the chemicals…")} />;
  }
  const fits = (c: Chemical) =>
    `${c.name} ${c.kind} ${c.directions}`.toLowerCase().includes(word.toLowerCase()) &&
    (use === "" ||
      (use === "sanitize" && c.sanitizes) ||
      (use === "wash" && c.washes) ||
      (use === "film" && !c.washes && !c.sanitizes));
  const rows = chemicals.data.filter(fits);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say("chemicals.chemicals.chemicals-and-vessels", "Chemicals and vessels")}</h1>
        <p className="quiet">
          {say(
            "chemicals.chemicals.the-label-on-the-container-stands",
            "The label on the container stands above what is written here.",
          )}
        </p>
        <span className="grow" />
        {writes && (
          <button className="btn" type="button" onClick={() => set("edit", "new")}>
            {say("chemicals.chemicals.add-a-product", "Add a product…")}
          </button>
        )}
      </div>
      <div className="filters">
        <label>
          {say("chemicals.chemicals.find", "Find")}
          <input type="search" value={word} onChange={(e) => set("find", e.currentTarget.value)} />
        </label>
        <label>
          {say("chemicals.chemicals.used-to", "Used to")}
          <select value={use} onChange={(e) => set("for", e.currentTarget.value)}>
            <option value="">{say("chemicals.chemicals.all", "all")}</option>
            <option value="sanitize">{say("chemicals.chemicals.sanitize", "sanitize")}</option>
            <option value="wash">
              {say("chemicals.chemicals.wash-degrease-descale", "wash, degrease, descale")}
            </option>
            <option value="film">{say("chemicals.chemicals.lubricate-protect", "lubricate, protect")}</option>
          </select>
        </label>
      </div>
      {rows.length === 0 && (
        <p className="page-state">
          {say("chemicals.chemicals.no-product-of-this-site-matches", "No product of this site matches.")}
        </p>
      )}
      <ul className="cans">
        {rows.map((c) => (
          <li key={c.id} className="can">
            <div className="can-label">
              <h2>{c.name}</h2>
              <p className="can-kind">{told(c.kind)}</p>
              <p>{c.directions}</p>
              {writes && (
                <button
                  className="btn small"
                  type="button"
                  aria-label={say("chemicals.chemicals.change-this", "Change {0}", c.name)}
                  onClick={() => set("edit", c.id)}
                >
                  {say("chemicals.chemicals.change", "Change…")}
                </button>
              )}
            </div>
            <dl>
              <Row
                name={say("chemicals.chemicals.use-dilution", "Use-dilution")}
                value={
                  c.least && c.most
                    ? say("chemicals.chemicals.from-to", "from {0} to {1}", c.least, c.most)
                    : c.least
                      ? say("chemicals.chemicals.at-least", "at least {0}", c.least)
                      : c.most && say("chemicals.chemicals.at-most", "at most {0}", c.most)
                }
              />
              <Row
                name={
                  c.sanitizes
                    ? say("chemicals.chemicals.contact-time-wet", "Contact time (wet)")
                    : say("chemicals.chemicals.dwell", "Dwell")
                }
                value={c.contact}
              />
              <Row name={say("chemicals.chemicals.concentrate", "Concentrate")} value={c.stock} />
              <Row name={say("chemicals.chemicals.registered", "Registered")} value={c.registration} />
              <Row name={say("chemicals.chemicals.for", "For")} value={c.organisms.join(", ")} />
              <Row
                name={say("chemicals.chemicals.price", "Price")}
                value={say("chemicals.chemicals.per-liter", "{0} per liter", c.pricePerLitre.toFixed(2))}
              />
              <Row
                name={say("chemicals.chemicals.shelf-life", "Shelf life")}
                value={say(
                  "chemicals.chemicals.days",
                  "{0, plural, one {# day} other {# days}}",
                  c.shelfLifeDays,
                )}
              />
            </dl>
            <div>
              {c.ppe.length > 0 && (
                <>
                  <h3>{say("chemicals.chemicals.ppe", "PPE")}</h3>
                  <p>{c.ppe.map(told).join(", ")}</p>
                </>
              )}
              {(c.neverWith.length > 0 || c.notOn.length > 0) && (
                <>
                  <h3 className="never">
                    {say("chemicals.chemicals.never-with-never-on", "Never with, never on")}
                  </h3>
                  <ul>
                    {[...c.neverWith.map(told), ...c.notOn.map(piece)].map((n) => (
                      <li key={n}>{n}</li>
                    ))}
                  </ul>
                </>
              )}
            </div>
          </li>
        ))}
      </ul>
      {site.data && site.data.vessels.length > 0 && use === "" && word === "" && (
        <section
          className="vessels"
          aria-label={say("chemicals.chemicals.sinks-buckets-and-baths", "Sinks, buckets and baths")}
        >
          <div className="page-head">
            <h2>{say("chemicals.chemicals.sinks-buckets-and-baths", "Sinks, buckets and baths")}</h2>
            <span className="grow" />
            {writes && (
              <button className="btn small" type="button" onClick={() => set("edit", "vessels")}>
                {say("chemicals.chemicals.change", "Change…")}
              </button>
            )}
          </div>
          <p className="quiet">
            {say(
              "chemicals.chemicals.a-step-that-makes-more-than",
              "A step that makes more than a vessel holds is found before it runs over.",
            )}
          </p>
          <table className="table">
            <thead>
              <tr>
                <th scope="col">{say("chemicals.chemicals.name-in-procedures", "Name in procedures")}</th>
                <th scope="col">{say("chemicals.chemicals.what-it-is", "What it is")}</th>
                <th scope="col">{say("chemicals.chemicals.to-the-brim", "To the brim")}</th>
              </tr>
            </thead>
            <tbody>
              {site.data.vessels.map((v) => (
                <tr key={v.name}>
                  <td>{told(v.name)}</td>
                  <td>{told(v.kind)}</td>
                  <td>{v.brim}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {writes && editing === "vessels" && <EditVessels onClose={() => set("edit", "")} onSaved={done} />}
      {writes && editing !== "" && editing !== "vessels" && (
        <EditChemical
          id={editing === "new" ? null : editing}
          onClose={() => set("edit", "")}
          onSaved={(all) => {
            queries.setQueryData(keys.chemicals(), all);
            done();
          }}
        />
      )}
    </main>
  );
}

/** A figure the label does not give is not shown as zero: it says so. */
function Row({ name, value }: { name: string; value: string | undefined | null }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>
        {value || (
          <span className="quiet">{say("chemicals.chemicals.not-on-the-label", "not on the label")}</span>
        )}
      </dd>
    </div>
  );
}
