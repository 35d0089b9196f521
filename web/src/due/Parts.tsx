import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Schemas, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say, spoken } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { sentence, told } from "../shared/texts";
import { Plates } from "./Plates";
import { Products } from "./Products";
import { Settings } from "./Settings";
import { STOCK } from "./words";

type Part = Schemas["WearPart"];

/** Wear parts and products: what lies on the shelf, what has to be ordered; settings and plates as they were read. */
export function Parts() {
  const queries = useQueryClient();
  const clock = useClock();
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const parts = useQuery({ queryKey: keys.parts(), queryFn: () => unwrap(api.GET("/api/parts")) });
  if (parts.isPending) {
    return <Waiting part what={say("due.parts.loading", "Looking at the shelves…")} />;
  }
  if (!parts.data) {
    return <NotShown part error={parts.error} />;
  }
  const { parts: all, settings } = parts.data;
  const orders = [...all, ...parts.data.products].filter(
    (p) => p.stock === "ORDER" || p.stock === "TOO_LATE",
  ).length;
  const write = (made: Parameters<typeof site.write>[0]) => {
    site.write(made);
    // The entry is on its way; the shelves are looked at again once it is there.
    window.setTimeout(() => void queries.invalidateQueries({ queryKey: keys.parts() }), 400);
  };
  const answers = session?.role === "SUPERVISOR" || session?.role === "QA";
  const mayEnter = session?.role !== undefined && session.role !== "AUDITOR";
  return (
    <div className="due-parts">
      {site.refusal && (
        <p className="note stop" role="alert">
          {site.refusal}
        </p>
      )}
      <section aria-label={say("due.parts.wear", "Wear parts")}>
        <div className="due-parts-head">
          <h2>{say("due.parts.wear", "Wear parts")}</h2>
          <span className="quiet">
            {orders === 0
              ? say("due.parts.nothing", "Nothing has to be ordered.")
              : say(
                  "due.parts.orders",
                  "{0, plural, one {# thing has} other {# things have}} to be ordered.",
                  orders,
                )}
          </span>
          <span className="grow" />
          <a className="btn small" href="/api/parts/orders.csv">
            {say("due.parts.csv", "Order list (CSV)")}
          </a>
          <a
            className="btn small"
            href={`/api/parts/orders.pdf?in=${spoken()}`}
            target="_blank"
            rel="noreferrer"
          >
            {say("due.parts.pdf", "Order list (PDF)")}
          </a>
        </div>
        {all.length === 0 ? (
          <p className="quiet">{say("due.parts.none", "No sheet names a wear part.")}</p>
        ) : (
          <table>
            <thead>
              <tr>
                <th>{say("due.parts.what", "What")}</th>
                <th>{say("due.parts.fitted", "Fitted")}</th>
                <th>{say("due.parts.life", "Life ends")}</th>
                <th>{say("due.parts.shelf", "On the shelf")}</th>
                <th>{say("due.parts.stands", "Order")}</th>
              </tr>
            </thead>
            <tbody>
              {all.map((p) => (
                <tr key={p.machine + p.id} className={p.stock.toLowerCase()}>
                  <td>
                    <strong>{p.machine}</strong> {told(p.name)}
                    <small>{[p.number, p.shelf].filter(Boolean).join(", ")}</small>
                  </td>
                  <td>
                    {p.fitted ? clock.day(p.fitted) : say("due.parts.no-record", "no record")}
                    {mayEnter && (
                      <button
                        className="btn small"
                        type="button"
                        onClick={() => write(enter.kitFitted(p.machine, p.id, tabletNow()))}
                      >
                        {say("due.parts.fit", "Fitted now")}
                      </button>
                    )}
                  </td>
                  <td>{p.ends ?? "–"}</td>
                  <td>
                    <Count
                      part={p}
                      onCount={mayEnter ? (n) => write(enter.sparesCounted(p.machine, p.id, n)) : undefined}
                    />
                  </td>
                  <td>
                    {STOCK[p.stock]}
                    <small>
                      {sentence(p.because)}
                      {p.orderBy && p.stock !== "ENOUGH" && say("due.parts.by", "; by {0}", p.orderBy)}
                    </small>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <Products products={parts.data.products} write={mayEnter ? write : undefined} />
      <Settings settings={settings} write={mayEnter ? write : undefined} answers={answers} />
      <Plates plates={parts.data.plates} write={mayEnter ? write : undefined} />
    </div>
  );
}

type CountProps = { part: Part; onCount: ((n: number) => void) | undefined };

/** How many lie on the shelf, counted by pressing; what nobody has counted is a question mark. */
function Count({ part: p, onCount }: CountProps) {
  const n = p.left ?? 0;
  return (
    <span className="due-count">
      {onCount && (
        <button
          className="btn small"
          type="button"
          aria-label={say("due.parts.less", "{0} less", told(p.name))}
          disabled={n === 0 && p.left !== undefined}
          onClick={() => onCount(Math.max(0, n - 1))}
        >
          −
        </button>
      )}
      <output aria-label={say("due.parts.left", "{0} on the shelf", told(p.name))}>{p.left ?? "?"}</output>
      {onCount && (
        <button
          className="btn small"
          type="button"
          aria-label={say("due.parts.more", "{0} more", told(p.name))}
          onClick={() => onCount(n + 1)}
        >
          +
        </button>
      )}
    </span>
  );
}
