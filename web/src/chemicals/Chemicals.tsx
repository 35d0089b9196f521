import "./chemicals.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api, message, type Schemas, unwrap } from "../api/client";
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
      <main className="page-state" role="alert">
        <h1>The chemicals cannot be shown</h1>
        <p>{message(chemicals.error)}</p>
        <button className="btn" type="button" onClick={() => chemicals.refetch()}>
          Try again
        </button>
      </main>
    );
  }
  if (!chemicals.data) {
    return (
      <main className="page-state">
        <h1>Loading the chemicals…</h1>
      </main>
    );
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
        <h1>Chemicals and vessels</h1>
        <p className="quiet">The label on the container stands above what is written here.</p>
        <span className="grow" />
        {writes && (
          <button className="btn" type="button" onClick={() => set("edit", "new")}>
            Add a product…
          </button>
        )}
      </div>
      <div className="filters">
        <label>
          Find
          <input type="search" value={word} onChange={(e) => set("find", e.currentTarget.value)} />
        </label>
        <label>
          Used to
          <select value={use} onChange={(e) => set("for", e.currentTarget.value)}>
            <option value="">all</option>
            <option value="sanitize">sanitize</option>
            <option value="wash">wash, degrease, descale</option>
            <option value="film">lubricate, protect</option>
          </select>
        </label>
      </div>
      {rows.length === 0 && <p className="page-state">No product of this site matches.</p>}
      <ul className="cans">
        {rows.map((c) => (
          <li key={c.id} className="can">
            <div className="can-label">
              <h2>{c.name}</h2>
              <p className="can-kind">{c.kind}</p>
              <p>{c.directions}</p>
              {writes && (
                <button
                  className="btn small"
                  type="button"
                  aria-label={`Change ${c.name}`}
                  onClick={() => set("edit", c.id)}
                >
                  Change…
                </button>
              )}
            </div>
            <dl>
              <Row
                name="Use-dilution"
                value={[c.least && `from ${c.least}`, c.most && `to ${c.most}`].filter(Boolean).join(" ")}
              />
              <Row name={c.sanitizes ? "Contact time (wet)" : "Dwell"} value={c.contact} />
              <Row name="Concentrate" value={c.stock} />
              <Row name="Registered" value={c.registration} />
              <Row name="For" value={c.organisms.join(", ")} />
              <Row name="Price" value={`${c.pricePerLitre.toFixed(2)} a litre`} />
              <Row name="Shelf life" value={`${c.shelfLifeDays} days`} />
            </dl>
            <div>
              {c.ppe.length > 0 && (
                <>
                  <h3>PPE</h3>
                  <p>{c.ppe.join(", ")}</p>
                </>
              )}
              {(c.neverWith.length > 0 || c.notOn.length > 0) && (
                <>
                  <h3 className="never">Never with, never on</h3>
                  <ul>
                    {[...c.neverWith, ...c.notOn].map((n) => (
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
        <section className="vessels" aria-label="Sinks, buckets and baths">
          <div className="page-head">
            <h2>Sinks, buckets and baths</h2>
            <span className="grow" />
            {writes && (
              <button className="btn small" type="button" onClick={() => set("edit", "vessels")}>
                Change…
              </button>
            )}
          </div>
          <p className="quiet">A step that makes more than a vessel holds is found before it runs over.</p>
          <table className="table">
            <thead>
              <tr>
                <th scope="col">Name in procedures</th>
                <th scope="col">What it is</th>
                <th scope="col">To the brim</th>
              </tr>
            </thead>
            <tbody>
              {site.data.vessels.map((v) => (
                <tr key={v.name}>
                  <td>{v.name}</td>
                  <td>{v.kind}</td>
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
      <dd>{value || <span className="quiet">not on the label</span>}</dd>
    </div>
  );
}
