import "./tonight.css";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { ForACalendar } from "../shared/ForACalendar";
import { keys } from "../shared/keys";
import { useLive } from "../shared/live";
import { NotShown } from "../shared/PageState";
import { say, spoken } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { Changes } from "./Changes";
import { Consequences } from "./Consequences";
import { Drawing } from "./Drawing";
import { Morning } from "./Morning";
import { Moved } from "./Moved";
import { about, blocksOf, type Held, type Night } from "./night";
import { Ready } from "./Ready";
import { Waits } from "./Waits";

const REST = 60_000;
const SOON = 1_500;
/** Milliseconds for which a hand rests before its consequences are asked for. */
const HELD_STILL = 60;

/** The night that is on; or, by the address, one that is over. */
export default function Tonight() {
  const [params] = useSearchParams();
  const night = params.get("night");
  return night === null ? <ThisNight /> : <Morning night={night === "last" ? undefined : night} />;
}

/** The night: who does what, where and when, and what waits for whoever looks. */
function ThisNight() {
  const queries = useQueryClient();
  const clock = useClock();
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [params, setParams] = useSearchParams();
  const [held, setHeld] = useState<Held | null>(null);
  const [down, setDown] = useState(false);
  const whatIf = params.get("if") ?? undefined;
  const person = params.get("person") ?? "";
  const tonight = useQuery({
    queryKey: keys.tonight(whatIf ?? ""),
    queryFn: () => unwrap(api.GET("/api/tonight", { params: { query: { whatIf } } })),
    // While a better plan is sought it is looked for often.
    refetchInterval: (q) => (q.state.data?.seeking ? SOON : REST),
    placeholderData: (before) => before,
  });
  useLive(useCallback(() => void queries.invalidateQueries({ queryKey: keys.tonight() }), [queries]));
  const asked = useRested(held, HELD_STILL);
  const drag = useQuery({
    queryKey: keys.tonightDrag(asked ? `${asked.task}@${asked.person}:${asked.minute}` : ""),
    queryFn: () =>
      unwrap(
        api.GET("/api/tonight/drag", {
          params: {
            query: {
              task: asked?.task ?? "",
              person: asked?.person || undefined,
              minute: asked?.minute ?? 0,
            },
          },
        }),
      ),
    enabled: asked !== null,
    placeholderData: (before) => (asked ? before : undefined),
  });
  const letGo = () => {
    setHeld(null);
    setDown(false);
  };
  const keep = (where: Held, night: Night) => {
    site.write(
      enter.nightSaid(night.night, "put", about(where.task, where.person), where.minute, false, tabletNow()),
    );
    letGo();
  };
  const put = (name: string, value: string | null) =>
    setParams((now) => {
      const next = new URLSearchParams(now);
      if (value === null) {
        next.delete(name);
      } else {
        next.set(name, value);
      }
      return next;
    });
  if (tonight.isPending) {
    return (
      <main className="page-state">
        <h1>{say("tonight.tonight.planning", "Planning the night…")}</h1>
        <p>{say("tonight.tonight.takes-seconds", "That takes a few seconds; after that it is kept.")}</p>
      </main>
    );
  }
  if (!tonight.data) {
    return (
      <NotShown
        what={say("tonight.tonight.cannot-be-planned", "The night cannot be planned")}
        error={tonight.error}
        again={() => tonight.refetch()}
      />
    );
  }
  const night = tonight.data;
  const at = (minute: number) => clock.time(night.from + minute * 60_000);
  const blocks = blocksOf(night, held && drag.data && asked ? drag.data.tasks : undefined);
  const mayPlan = (session?.role === "SUPERVISOR" || session?.role === "QA") && !whatIf;
  const shown = person === "" ? blocks : blocks.filter((b) => b.people.includes(person));
  const left = night.until - night.now;
  const hours = Math.floor(Math.max(0, left) / 3_600_000);
  const minutes = Math.floor((Math.max(0, left) % 3_600_000) / 60_000);
  return (
    <main className="tonight">
      <div className="tonight-head">
        <h1>{say("tonight.tonight.title", "The night of {0}", clock.day(night.from))}</h1>
        <p className="tonight-clock">
          {say(
            "tonight.tonight.to-production",
            "{0} h {1} min to production at {2}",
            hours,
            minutes,
            at(night.minutes),
          )}
        </p>
        <span className="grow" />
        {night.seeking && (
          <output className="quiet">
            {say("tonight.tonight.seeking", "A first plan; a better one is looked for…")}
          </output>
        )}
        <label className="no-print">
          {say("tonight.tonight.sheet-of", "Sheet of")}{" "}
          <select value={person} onChange={(e) => put("person", e.currentTarget.value || null)}>
            <option value="">{say("tonight.tonight.everybody", "everybody")}</option>
            {night.people
              .filter((p) => blocks.some((b) => b.people.includes(p.id)))
              .map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
          </select>
        </label>
        <a
          className="btn small no-print"
          href={`/api/tonight/sheets.pdf?in=${spoken()}${person === "" ? "" : `&person=${encodeURIComponent(person)}`}`}
          target="_blank"
          rel="noreferrer"
        >
          {say("tonight.tonight.sheets", "Sheets to print")}
        </a>
        <Link className="btn small no-print" to="/tonight?night=last">
          {say("tonight.tonight.last-night", "Last night")}
        </Link>
      </div>
      {whatIf && (
        <p className="note now">
          {say("tonight.tonight.only-tried", "This is only tried; nobody was told. ")}
          <button className="btn small" type="button" onClick={() => put("if", null)}>
            {say("tonight.tonight.back", "Back to the plan")}
          </button>
        </p>
      )}
      <div className="tonight-body">
        <section className="tonight-plan" aria-label={say("tonight.tonight.plan", "The plan")}>
          {blocks.length === 0 ? (
            <p className="page-state">
              {night.cleans.length === 0
                ? say("tonight.tonight.nothing-due", "Nothing is due this night.")
                : say(
                    "tonight.tonight.nothing-fits",
                    "Nothing of what is due can be planned; the side says why.",
                  )}
            </p>
          ) : (
            <Drawing
              night={night}
              blocks={shown}
              all={blocks}
              at={at}
              held={held}
              onHold={
                mayPlan
                  ? (h) => {
                      setHeld(h);
                      setDown(false);
                    }
                  : undefined
              }
              onLetGo={(h) => {
                setHeld(h);
                setDown(true);
              }}
            />
          )}
          {blocks.length > 0 && <Quality night={night} at={at} />}
          {blocks.length > 0 && (
            <div className="no-print">
              <ForACalendar of="tonight" person={person} />
            </div>
          )}
        </section>
        <aside className="tonight-side">
          {held && (
            <Consequences
              night={night}
              held={held}
              drag={drag.data}
              at={at}
              down={down}
              onKeep={() => keep(held, night)}
              onBack={letGo}
            />
          )}
          {site.refusal && (
            <p className="note stop" role="alert">
              {site.refusal}
            </p>
          )}
          <Waits />
          <Changes
            night={night}
            at={at}
            onTry={(v) => put("if", v)}
            onHold={(h) => {
              setHeld(h);
              setDown(true);
            }}
          />
          {night.moves.length > 0 && (
            <section aria-label={say("tonight.moved.label", "Who has to be told")}>
              <h2>{say("tonight.moved.title", "Who has to be told")}</h2>
              <Moved night={night} moves={night.moves} at={at} />
            </section>
          )}
          {/* As long as the site has machines, so it stands below what is pressed. */}
          <Ready night={night} blocks={blocks} at={at} />
        </aside>
      </div>
    </main>
  );
}

/** What holds still for so long, so that each place on the way is not asked about. */
function useRested(value: Held | null, ms: number): Held | null {
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = window.setTimeout(() => setRested(value), value ? ms : 0);
    return () => window.clearTimeout(timer);
  }, [value, ms]);
  return value && rested;
}

const LEVELS: Record<string, string> = {
  "out-of-use": say("tonight.level.out-of-use", "machines out of use"),
  "left-out": say("tonight.level.left-out", "cleans left out"),
  late: say("tonight.level.late", "minutes late"),
  changes: say("tonight.level.changes", "hand-overs"),
  load: say("tonight.level.load", "most work of one person"),
  end: say("tonight.level.end", "end of the night"),
  unattended: say("tonight.level.unattended", "waiting at the end for what runs by itself"),
};

type QualityProps = { night: Night; at: (minute: number) => string };

/** How good the plan is known to be, and against how people would do it. */
function Quality({ night, at }: QualityProps) {
  const p = night.plan;
  const end = Math.max(0, ...p.tasks.map((t) => t.to));
  return (
    <p className="quiet tonight-quality">
      {p.status === "optimal"
        ? say("tonight.quality.optimal", "No plan is better on any count.")
        : p.status === "as-people-do"
          ? say("tonight.quality.as-people", "Made as people would do it: there is no solver on this system.")
          : p.status === "in-force"
            ? say("tonight.quality.in-force", "It was made earlier and still holds; nobody is told anew.")
            : night.seeking
              ? say("tonight.quality.seeking", "A better one is looked for.")
              : say(
                  "tonight.quality.gap",
                  "On “{0}” it may be up to {1} % from the best; above that nothing is better.",
                  LEVELS[p.level] ?? p.level,
                  p.gapPercent,
                )}{" "}
      {say(
        "tonight.quality.ends",
        "It ends at {0}; one after the other, as people do it, at {1}{2}.",
        at(end),
        at(night.peopleEnd),
        night.peopleLeftOut > 0
          ? say(
              "tonight.quality.leaves-out",
              ", with {0, plural, one {# machine} other {# machines}} left out",
              night.peopleLeftOut,
            )
          : "",
      )}
    </p>
  );
}
