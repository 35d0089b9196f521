import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { keys } from "../shared/keys";
import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { sentence, told } from "../shared/texts";

type Part = Schemas["WearPart"];
type Setting = Schemas["MachineSetting"];

const STOCK: Record<Part["stock"], string> = {
  NOT_COUNTED: say("due.parts.not-counted", "not counted"),
  ENOUGH: say("due.parts.enough", "enough"),
  ORDER: say("due.parts.order", "order"),
  TOO_LATE: say("due.parts.too-late", "too late"),
};

/** Wear parts: what is fitted since when, what lies on the shelf, what has to be ordered; and settings as they were read. */
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
  const orders = all.filter((p) => p.stock === "ORDER" || p.stock === "TOO_LATE").length;
  const again = () =>
    window.setTimeout(() => void queries.invalidateQueries({ queryKey: keys.parts() }), 400);
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
          <a className="btn small" href="/api/parts/orders.pdf" target="_blank" rel="noreferrer">
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
                        onClick={() => {
                          site.write(enter.kitFitted(p.machine, p.id, tabletNow()));
                          again();
                        }}
                      >
                        {say("due.parts.fit", "Fitted now")}
                      </button>
                    )}
                  </td>
                  <td>{p.ends ?? "–"}</td>
                  <td>
                    <Count
                      part={p}
                      onCount={
                        mayEnter
                          ? (n) => {
                              site.write(enter.sparesCounted(p.machine, p.id, n));
                              again();
                            }
                          : undefined
                      }
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
      <section aria-label={say("due.parts.settings", "Settings of the machines")}>
        <h2>{say("due.parts.settings", "Settings of the machines")}</h2>
        {settings.length === 0 && (
          <p className="quiet">{say("due.parts.no-settings", "No sheet names a setting.")}</p>
        )}
        <ul>
          {settings.map((s) => (
            <Read
              key={s.machine + s.id}
              setting={s}
              day={clock.day}
              onRead={
                mayEnter
                  ? (value) => {
                      site.write(enter.settingRead(s.machine, s.id, value, s.unit ?? "", tabletNow()));
                      again();
                    }
                  : undefined
              }
            />
          ))}
        </ul>
      </section>
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

type ReadProps = {
  setting: Setting;
  day: (at: number) => string;
  onRead: ((value: number) => void) | undefined;
};

/** A setting: what was approved, what was read last, and whether the two agree. */
function Read({ setting: s, day, onRead }: ReadProps) {
  const [text, setText] = useState("");
  const value = Number(text.replace(",", "."));
  const good = text.trim() !== "" && Number.isFinite(value);
  const unit = s.unit ? ` ${s.unit}` : "";
  return (
    <li className={s.off ? "off" : ""}>
      <span>
        <strong>{s.machine}</strong> {told(s.name)}
        <small>{s.where && told(s.where)}</small>
      </span>
      <span>
        {say("due.parts.approved", "approved {0}", s.approved)}
        <small>
          {s.read === undefined || s.read === null
            ? say("due.parts.never-read", "nobody has read it")
            : say("due.parts.read", "read {0}{1} on {2} by {3}", s.read, unit, day(s.at ?? 0), s.who ?? "")}
        </small>
        {s.off && (
          <small className="note fix">
            {say("due.parts.off", "It is off. Set it back, or say who lets it run so and until when.")}
          </small>
        )}
      </span>
      {onRead && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (good) {
              onRead(value);
              setText("");
            }
          }}
        >
          <label>
            {say("due.parts.now", "{0} reads{1}", told(s.name), unit)}
            <input inputMode="decimal" value={text} onChange={(e) => setText(e.currentTarget.value)} />
          </label>
          <button className="btn small" type="submit" disabled={!good}>
            {say("due.parts.enter", "Enter")}
          </button>
        </form>
      )}
    </li>
  );
}
