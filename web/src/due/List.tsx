import type { Schemas } from "../api/client";
import { DUE_STATES, StateShape, span } from "../shared/DueState";
import { say } from "../shared/say";
import { useClock } from "../shared/session";
import { sentence } from "../shared/texts";
import { Chosen } from "./Chosen";
import { MachineOptions } from "./MachineOptions";
import { Runs } from "./Runs";
import { Thread } from "./Thread";
import { type DueTask, nameOf, open, RISKS } from "./words";

type Props = {
  now: Schemas["DueNow"];
  params: URLSearchParams;
  put: (to: Record<string, string | null>) => void;
};

/** Every task that somebody has to see to, the gravest first; what is chosen is dealt with at the side. */
export function List({ now, params, put }: Props) {
  const clock = useClock();
  const machine = params.get("machine") ?? "";
  const all = params.get("all") === "yes";
  const machines = [...new Set(now.tasks.map((t) => t.machine).filter((m) => m !== undefined))].sort();
  const shown = now.tasks.filter(
    (t) => (machine === "" || t.machine === machine) && (all || t.state !== "DONE"),
  );
  const waiting = now.tasks.filter(open);
  const chosen = now.tasks.find((t) => t.task === params.get("task")) ?? shown.find(open);
  return (
    <div className="due-body">
      <section className="due-list" aria-label={say("due.list.tasks", "Tasks")}>
        <div className="due-filter">
          <label>
            {say("due.list.machine", "Machine")}{" "}
            <select value={machine} onChange={(e) => put({ machine: e.currentTarget.value || null })}>
              <option value="">{say("due.list.all-machines", "all")}</option>
              <MachineOptions machines={machines} />
            </select>
          </label>
          <label>
            <input
              type="checkbox"
              checked={all}
              onChange={(e) => put({ all: e.currentTarget.checked ? "yes" : null })}
            />{" "}
            {say("due.list.done-too", "with what is done")}
          </label>
          <span className="grow" />
          <span className="quiet">
            {say(
              "due.list.count",
              "{0, plural, one {# thing waits} other {# things wait}}, {1} late",
              waiting.length,
              waiting.filter((t) => t.state === "LATE" || t.state === "MISSED").length,
            )}
          </span>
        </div>
        {shown.length === 0 && (
          <p className="due-none">
            {machine === ""
              ? say("due.list.nothing", "Nothing is due. What is done can be shown with the box above.")
              : say("due.list.nothing-of", "Nothing is due at {0}.", machine)}
          </p>
        )}
        {RISKS.map(([risk, words]) => {
          const here = shown.filter((t) => t.risk === risk);
          return (
            here.length > 0 && (
              <section key={risk} aria-label={words}>
                <h2>{words}</h2>
                <ul>
                  {here.map((t) => (
                    <Row
                      key={t.task}
                      task={t}
                      now={now.now}
                      chosen={t.task === chosen?.task}
                      time={clock}
                      onChoose={() => put({ task: t.task })}
                    />
                  ))}
                </ul>
              </section>
            )
          );
        })}
      </section>
      <aside className="due-side">
        {chosen && <Chosen key={chosen.task} task={chosen} now={now.now} />}
        <Runs now={now.now} />
      </aside>
    </div>
  );
}

type RowProps = {
  task: DueTask;
  now: number;
  chosen: boolean;
  time: ReturnType<typeof useClock>;
  onChoose: () => void;
};

function Row({ task: t, now, chosen, time, onChoose }: RowProps) {
  const when =
    t.state === "LATE" || t.state === "MISSED"
      ? t.late !== undefined && say("due.list.late-since", "late for {0}", span(now - t.late))
      : t.state === "DUE"
        ? t.late !== undefined
          ? say("due.list.late-in", "late in {0}", span(t.late - now))
          : ""
        : t.due !== undefined && t.due > now && say("due.list.due-in", "due in {0}", span(t.due - now));
  return (
    <li>
      <button type="button" className="due-row" aria-pressed={chosen} onClick={onChoose}>
        <StateShape state={t.state} />
        <span className="due-state">{DUE_STATES[t.state]}</span>
        <span className="due-what">
          <strong>{t.machine}</strong> {nameOf(t)}
          <small>{sentence(t.because)}</small>
        </span>
        <Thread task={t} now={now} />
        <span className="due-when">
          {when}
          <small>
            {t.since === undefined
              ? say("due.list.never", "no record")
              : say("due.list.last", "last {0}", time.day(t.since))}
          </small>
        </span>
      </button>
    </li>
  );
}
