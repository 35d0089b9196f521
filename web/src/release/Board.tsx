import { NotShown, Waiting } from "../shared/PageState";
import { say } from "../shared/say";
import { siteNow } from "../shared/siteNow";
import { sentence, told } from "../shared/texts";
import "./release.css";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { Link } from "react-router";
import { api, message, type Schemas, unwrap } from "../api/client";
import { keys } from "../shared/keys";
import { useLive } from "../shared/live";
import { clocks, type RunningOut, RunsOut } from "../shared/RunsOut";
import { Shape, STANDING } from "../shared/Standing";
import { useClock, useSession } from "../shared/session";

type Machine = Schemas["Machine"];

const REST = 20_000;

/** Where every machine stands, live. On the wall it is the same, larger and without anything to press. */
export default function Board({ wall = false }: { wall?: boolean }) {
  const queries = useQueryClient();
  const board = useQuery({
    queryKey: keys.board(),
    queryFn: () => unwrap(api.GET("/api/board")),
    refetchInterval: REST,
  });
  const rung = useCallback(() => void queries.invalidateQueries({ queryKey: keys.board() }), [queries]);
  const connection = useLive(rung);
  const lapsed = useQuery({
    queryKey: keys.lapsed(),
    queryFn: () => unwrap(api.GET("/api/procedures/lapsed")),
  });
  const running = useQuery({
    queryKey: keys.running(),
    queryFn: () => unwrap(api.GET("/api/due/running")),
    refetchInterval: REST,
  });
  const now = useNow();
  const clock = useClock();
  const runs = clocks(running.data ?? [], now);
  const codes = new Set((board.data ?? []).map((m) => m.code));
  const elsewhere = runs.filter((r) => !codes.has(r.subject));
  const lost = connection === "lost" || board.isError;

  const body = (
    <>
      <div className="page-head">
        <h1>{say("release.board.status-of-machines", "Status of machines")}</h1>
        <span className="grow" />
        {lost && (
          <output className="note stop">
            {say(
              "release.board.connection-lost-what-you-see-may",
              "Connection lost. What you see may be old; it comes back by itself.",
            )}
          </output>
        )}
        {wall && <span className="wall-clock">{clock.time(now)}</span>}
        {!wall && (
          <a className="btn" href="/wall">
            {say("release.board.for-the-wall", "For the wall")}
          </a>
        )}
      </div>
      {(lapsed.data ?? []).length > 0 && (
        <p className="note stop">
          {say(
            "release.board.approved-procedures-no-longer-pass",
            "{0, plural, one {# approved procedure does} other {# approved procedures do}} not pass the rules any more: {1}.",
            lapsed.data?.length,
            lapsed.data?.map((r) => r.title).join("; "),
          )}{" "}
          {!wall && <Link to="/procedures">{say("release.board.see-why", "See why")}</Link>}
        </p>
      )}
      {board.isPending && <Waiting part what={say("release.board.loading", "Loading…")} />}
      {board.isError && !board.data && <NotShown part error={board.error} again={() => board.refetch()} />}
      {board.data?.length === 0 && (
        <p>{say("release.board.no-machine-has-a-sheet-yet", "No machine has a sheet yet.")}</p>
      )}
      <div className="board">
        {roomsOf(board.data ?? []).map(([room, machines]) => (
          <section key={room} className="board-room">
            <h2>{told(room)}</h2>
            <ul aria-label={told(room)}>
              {machines.map((m) => (
                <Row
                  key={m.code}
                  m={m}
                  runs={runs.filter((r) => r.subject === m.code)}
                  now={now}
                  wall={wall}
                />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {running.isError && board.data && (
        <p className="note stop">
          {say("release.board.clocks-not-known", "What runs out is not known: the server did not say.")}
        </p>
      )}
      {elsewhere.length > 0 && (
        <section className="lock-board">
          <h2>{say("release.board.solutions", "Solutions and vessels")}</h2>
          <ul>
            {elsewhere.map((r) => (
              <li key={`${r.kind} ${r.subject}`}>
                <RunsOut r={r} now={now} />
              </li>
            ))}
          </ul>
        </section>
      )}
      {board.data && <LocksOn machines={board.data} />}
    </>
  );
  return <main className={wall ? "wall" : "page"}>{body}</main>;
}

/** By room, as somebody walks through them: the largest first. */
function roomsOf(machines: Machine[]): [string, Machine[]][] {
  const rooms = new Map<string, Machine[]>();
  for (const m of machines) {
    rooms.set(m.room, [...(rooms.get(m.room) ?? []), m]);
  }
  return [...rooms].sort(([a, p], [b, q]) => q.length - p.length || a.localeCompare(b));
}

function useNow(): number {
  const [now, setNow] = useState(siteNow());
  useEffect(() => {
    const tick = window.setInterval(() => setNow(siteNow()), 5_000);
    return () => window.clearInterval(tick);
  }, []);
  return now;
}

function lasts(millis: number): string {
  const minutes = Math.max(0, Math.round(Math.abs(millis) / 60_000));
  return minutes < 60
    ? say("release.board.min", "{0} min", minutes)
    : say("release.board.h-min", "{0} h {1} min", Math.floor(minutes / 60), minutes % 60);
}

type RowProps = { m: Machine; runs: RunningOut[]; now: number; wall: boolean };

function Row({ m, runs, now, wall }: RowProps) {
  const clock = useClock();
  return (
    <li className={m.over ? "over" : ""}>
      <Shape standing={m.standing} out={m.out != null} />
      <div>
        <strong>{m.code}</strong> {told(m.name)}
        <p className="board-standing">
          {m.out ? say("release.board.out-of-use", "out of use") : STANDING[m.standing]}
          {!m.out &&
            m.since &&
            say("release.board.since", ", since {0} ({1})", clock.time(m.since), lasts(now - m.since))}
          {!m.out &&
            m.until &&
            (m.over
              ? say("release.board.over-its-time-since", ", over its time since {0}", clock.time(m.until))
              : say(
                  "release.board.until-left",
                  ", until {0} ({1} left)",
                  clock.time(m.until),
                  lasts(m.until - now),
                ))}
        </p>
        {m.out && <p className="quiet">{m.out.why}</p>}
        {!m.out && m.waits && <p className="quiet">{sentence(m.waits)}.</p>}
        {runs.map((r) => (
          <p key={`${r.kind} ${r.what.english}`}>
            <RunsOut r={r} now={now} named={false} />
          </p>
        ))}
        <RoundOf m={m} now={now} wall={wall} />
        {!wall && <Actions m={m} />}
      </div>
    </li>
  );
}

/** How far its round is, and what somebody has to read in it. */
function RoundOf({ m, now, wall }: { m: Machine; now: number; wall: boolean }) {
  return (
    <>
      {m.standing === "CLEANING" && (
        <>
          <p>
            {told(m.title ?? "")}, {m.who}
          </p>
          <p className="quiet">
            {say(
              "release.board.of-steps",
              "{0}{1} of {2} steps",
              m.phase ? `${told(m.phase)}, ` : "",
              m.done,
              m.steps,
            )}
          </p>
          <Progress done={m.done} steps={m.steps} />
          {m.timers.map((t) => (
            <p key={t.step} className={t.ends <= now ? "board-up" : "quiet"}>
              {told(t.name)}:{" "}
              {t.ends <= now
                ? say("release.board.time-is-up", "time is up")
                : say("release.board.left", "{0} left", lasts(t.ends - now))}
            </p>
          ))}
        </>
      )}
      {m.alarms.map((a) => (
        <p key={a.english} className="board-up">
          {sentence(a)}
        </p>
      ))}
      {m.troubles > 0 && (
        <ToRead to={`/release/${m.round}`} wall={wall}>
          {say(
            "release.board.deviations-to-read",
            "Read {0, plural, one {# deviation} other {# deviations}} before you release it",
            m.troubles,
          )}
        </ToRead>
      )}
      {m.differences > 0 && (
        <ToRead to={`/logbook/${m.round}`} wall={wall}>
          {say(
            "release.board.entries-to-look-at",
            "Look at {0, plural, one {# entry that does} other {# entries that do}} not fit the round",
            m.differences,
          )}
        </ToRead>
      )}
    </>
  );
}

/** What is to be done about it, and the way there; on the wall nobody presses. */
function ToRead({ to, wall, children }: { to: string; wall: boolean; children: string }) {
  return <p className="board-up">{wall ? children : <Link to={to}>{children}</Link>}</p>;
}

function Progress({ done, steps }: { done: number; steps: number }) {
  return (
    <svg className="board-progress" viewBox="0 0 100 4" preserveAspectRatio="none" role="presentation">
      <rect width="100" height="4" className="rest" />
      <rect width={steps ? (100 * done) / steps : 0} height="4" className="done" />
    </svg>
  );
}

function Actions({ m }: { m: Machine }) {
  const queries = useQueryClient();
  const session = useSession();
  const use = useMutation({
    mutationFn: (kind: string) =>
      unwrap(api.POST("/api/board/{code}", { params: { path: { code: m.code } }, body: { kind } })),
    onSuccess: (board) => queries.setQueryData(keys.board(), board),
  });
  const reads = session.data?.role === "AUDITOR";
  return (
    <div className="board-do">
      {(m.standing === "WAITING" || m.standing === "HELD" || (m.standing === "RELEASED" && m.until)) && (
        <Link className="btn main" to={`/release/${m.round}`}>
          {say("release.board.inspect-and-release", "Inspect and release")}
        </Link>
      )}
      {m.standing === "CLEANING" && (
        <Link className="btn" to={`/floor/${m.round}`}>
          {say("release.board.to-the-round", "To the round")}
        </Link>
      )}
      {m.standing === "RELEASED" && !reads && (
        <button className="btn" type="button" disabled={use.isPending} onClick={() => use.mutate("in-use")}>
          {say("release.board.production-starts", "Production starts")}
        </button>
      )}
      {(m.standing === "RELEASED" || m.standing === "IN_USE") && !reads && (
        <button className="btn" type="button" disabled={use.isPending} onClick={() => use.mutate("dirty")}>
          {say("release.board.it-is-dirty", "It is dirty")}
        </button>
      )}
      {use.isError && (
        <p className="note stop" role="alert">
          {message(use.error)}
        </p>
      )}
    </div>
  );
}

/** Who is locked on where, now. */
function LocksOn({ machines }: { machines: Machine[] }) {
  const clock = useClock();
  const locks = machines.flatMap((m) => m.locks.map((l) => ({ ...l, machine: m.code })));
  return (
    <section className="lock-board">
      <h2>{say("release.board.locks-applied-now", "Locks applied now")}</h2>
      {locks.length === 0 ? (
        <p className="quiet">{say("release.board.none", "None.")}</p>
      ) : (
        <ul>
          {locks.map((l) => (
            <li key={`${l.machine} ${l.energy} ${l.lock}`}>
              <strong>{l.who}</strong>
              {say(
                "release.board.lock-on-since",
                ", lock {0}, on {1} {2}, since {3}",
                l.lock,
                l.machine,
                l.energy,
                clock.time(l.at),
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
