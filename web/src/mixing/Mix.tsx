import { useCallback, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import type { Made } from "../round/core";
import { Figure, StrengthDial } from "../round/Dials";
import { FromMeter } from "../round/FromMeter";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { degrees, say } from "../shared/say";
import { useSession } from "../shared/session";
import { celsiusOf } from "../shared/temperature";
import { sentence, told } from "../shared/texts";
import { containerOf } from "../solution/container";
import { registerOf } from "../solution/register";
import { solutionsOf } from "../solution/shelf";
import type { Card, Checked, Table } from "../solution/table";
import { askedOf, concentrateOf, fadeOf, jobOf, productOf } from "./asked";
import { DoThis } from "./DoThis";
import { type Put, useAsked } from "./useAsked";
import { WhatIsMixed } from "./WhatIsMixed";
import { Where } from "./Where";

/** Mixing and checking: what is asked at the left, where it stands in the middle, what to do at the right. */
export function Mix({ table }: { table: Table }) {
  const session = useSession().data;
  const unit = degrees();
  const { pack } = table;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [params, setAsked] = useAsked();
  const [seen, setSeen] = useState("");
  const [seenAt, setSeenAt] = useState("");
  const opened = useMemo(
    () => containerOf(table, productOf(params, pack), site.newest, tabletNow()),
    [table, params, pack, site.newest],
  );
  const register = useMemo(() => registerOf(pack, site.newest, tabletNow()), [pack, site.newest]);
  const asked = useMemo(
    () => askedOf(params, pack, (id) => register.find((r) => r.id === id)?.usable !== false, opened?.percent),
    [params, pack, register, opened],
  );
  const { product, by } = asked;
  // What one instrument showed in one product says nothing of another.
  const put = useCallback<Put>(
    (to) => {
      if ("product" in to || "by" in to) {
        setSeen("");
      }
      setAsked(to);
    },
    [setAsked],
  );

  const solutions = useMemo(() => solutionsOf(site.newest, tabletNow()), [site.newest]);
  const fade = useMemo(() => fadeOf(table, solutions, product), [table, solutions, product]);
  const tells = useMemo(() => concentrateOf(solutions, product), [solutions, product]);
  const job = useMemo(() => jobOf(asked, pack, fade), [asked, pack, fade]);
  const mixed = useMemo(() => table.mix(job), [table, job]);
  const card = mixed.outside === undefined ? (mixed as Card) : undefined;
  const s = seen.trim() === "" ? Number.NaN : Number(seen.replace(",", "."));
  const st = seenAt.trim() === "" ? asked.celsius : celsiusOf(unit, Number(seenAt.replace(",", ".")));
  const read =
    product.sanitizes && Number.isFinite(s) && Number.isFinite(st) ? table.check(job, s, st) : undefined;
  const checked = read && read.outside === undefined ? (read as Checked) : undefined;
  const may = session?.role === "CREW" || session?.role === "SUPERVISOR";
  const latest = useRef(site.write);
  latest.current = site.write;
  const write = useMemo(() => (may ? (e: Made) => latest.current(e) : undefined), [may]);
  const standing = by && (register.find((r) => r.id === by.id)?.standing ?? "GOOD");

  return (
    <div className="mixing-body">
      <WhatIsMixed table={table} asked={asked} told={tells} opened={opened} write={write} put={put} />
      <Where table={table} asked={asked} fade={fade} checked={checked} readCelsius={st} put={put}>
        {product.sanitizes && by && (
          <div className="mixing-check">
            <h2>{say("mixing.mixing.check", "Check")}</h2>
            {standing !== "GOOD" && (
              <p className="note stop">
                {say("mixing.mixing.check-it-first", "{0}: nobody has checked it lately.", told(by.name))}{" "}
                <Link to={`/mixing?show=instruments&instrument=${by.id}`}>
                  {say("mixing.mixing.to-its-check", "To its check")}
                </Link>
              </p>
            )}
            <div className="mixing-dials">
              <StrengthDial
                by={by}
                label={say("mixing.mixing.it-shows", "It shows")}
                value={seen}
                onChange={setSeen}
              />
              <Figure
                label={say("mixing.mixing.thermometer", "Thermometer")}
                unit={unit}
                step={1}
                value={seenAt}
                onChange={setSeenAt}
              />
              <FromMeter
                desk
                fits={(m) => m.id === by.id}
                near={card?.then ?? 100}
                onRead={(v) => setSeen(String(v))}
              />
            </div>
            {read?.outside !== undefined && <p className="note stop">{sentence(read.outside)}</p>}
          </div>
        )}
      </Where>
      <DoThis
        table={table}
        asked={asked}
        job={job}
        mixed={mixed}
        tooOld={opened?.tooOld === true}
        seen={{ shows: s, celsius: st, checked }}
        solutions={solutions}
        site={site}
        may={may}
        put={put}
        onRead={() => setSeen("")}
      />
    </div>
  );
}
