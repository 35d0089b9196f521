import { useState } from "react";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import { toldTask } from "../shared/texts";
import type { Held, Night } from "./night";

type Props = {
  night: Night;
  at: (minute: number) => string;
  onTry: (whatIf: string) => void;
  /** Holds a task somewhere without a pointer. */
  onHold: (held: Held) => void;
};

type Kind = {
  what: string;
  /** What it is about. */
  of: "person" | "machine" | "clean" | "site";
  press: string;
  /** By how many minutes from now it holds, to begin with. */
  by: number;
  minute: string | undefined;
};

const KINDS: Kind[] = [
  { what: "sick", of: "person", press: say("tonight.change.sick", "Sick"), by: 0, minute: undefined },
  {
    what: "late",
    of: "person",
    press: say("tonight.change.late", "Late"),
    by: 60,
    minute: say("tonight.change.comes-at", "comes at"),
  },
  {
    what: "failed",
    of: "clean",
    press: say("tonight.change.failed", "Swab failed"),
    by: 0,
    minute: undefined,
  },
  {
    what: "no-hot-water",
    of: "site",
    press: say("tonight.change.no-hot-water", "No hot water"),
    by: 120,
    minute: say("tonight.change.back-at", "back at"),
  },
  {
    what: "kept",
    of: "machine",
    press: say("tonight.change.kept", "Machine kept"),
    by: 120,
    minute: say("tonight.change.free-at", "free at"),
  },
  {
    what: "wanted",
    of: "machine",
    press: say("tonight.change.wanted", "Wanted earlier"),
    by: 180,
    minute: say("tonight.change.wanted-by", "wanted by"),
  },
  {
    what: "dropped",
    of: "clean",
    press: say("tonight.change.dropped", "Leave out"),
    by: 0,
    minute: undefined,
  },
];

const SAID: Record<string, (who: string, when: string) => string> = {
  sick: (who, when) => say("tonight.said.sick", "{0} is sick from {1}", who, when),
  late: (who, when) => say("tonight.said.late", "{0} comes at {1}", who, when),
  failed: (who, when) => say("tonight.said.failed", "{0}: a swab failed at {1}, cleaned again", who, when),
  "no-hot-water": (_, when) => say("tonight.said.no-hot-water", "no hot water until {0}", when),
  kept: (who, when) => say("tonight.said.kept", "{0} is kept by production until {1}", who, when),
  wanted: (who, when) => say("tonight.said.wanted", "{0} is wanted by {1}", who, when),
  dropped: (who) => say("tonight.said.dropped", "{0} is left out", who),
  put: (who, when) => say("tonight.said.put", "{0}, not before {1}", who, when),
  "handed-over": (who) => say("tonight.said.handed-over", "{0} is handed over", who),
  accepted: (who) => say("tonight.said.accepted", "{0} is accepted", who),
};

/** One press says what has changed; the plan follows. What was said can be taken back. */
export function Changes({ night, at, onTry, onHold }: Props) {
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [kind, setKind] = useState<Kind | null>(null);
  const [moving, setMoving] = useState(false);
  const now = Math.max(0, Math.round((night.now - night.from) / 60_000));
  const subjects = (k: Kind): [string, string][] =>
    k.of === "person"
      ? night.people.map((p) => [p.id, p.name])
      : k.of === "machine"
        ? night.cleans.map((c) => [c.machine, c.machine])
        : k.of === "clean"
          ? night.cleans.map((c) => [c.procedure, `${c.machine}`])
          : [["", ""]];
  const one = (subject: string) => {
    const task = night.tasks.find((t) => t.id === subject);
    return (
      night.people.find((p) => p.id === subject)?.name ??
      night.cleans.find((c) => c.procedure === (task?.group ?? subject) || c.machine === subject)?.machine ??
      subject
    );
  };
  const name = (subject: string) => {
    const mark = subject.lastIndexOf("@");
    return mark < 0
      ? one(subject)
      : say("tonight.change.of", "{0} by {1}", one(subject.slice(0, mark)), one(subject.slice(mark + 1)));
  };
  const machineOf = (procedure: string) => night.cleans.find((c) => c.procedure === procedure)?.machine;
  const say_ = (what: string, subject: string, minute: number, undone: boolean) => {
    site.write(enter.nightSaid(night.night, what, subject, minute, undone, tabletNow()));
    setKind(null);
  };
  if (session?.role === "AUDITOR") {
    return null;
  }
  return (
    <section className="no-print" aria-label={say("tonight.change.label", "What has changed")}>
      <h2>{say("tonight.change.title", "What has changed?")}</h2>
      <div className="change-presses">
        {KINDS.map((k) => (
          <button
            key={k.what}
            className="btn small"
            type="button"
            aria-expanded={kind?.what === k.what}
            onClick={() => setKind(kind?.what === k.what ? null : k)}
          >
            {k.press}
          </button>
        ))}
      </div>
      {kind && (
        <Say
          key={kind.what}
          kind={kind}
          subjects={subjects(kind)}
          first={Math.min(night.minutes, now + kind.by)}
          night={night}
          at={at}
          onSay={(subject, minute) => say_(kind.what, subject, minute, false)}
          onTry={(subject, minute) => onTry(`${kind.what}:${subject}:${minute}`)}
        />
      )}
      <button className="btn small" type="button" aria-expanded={moving} onClick={() => setMoving(!moving)}>
        {say("tonight.change.move", "Move a task")}
      </button>
      {moving && <MoveTask night={night} at={at} onHold={onHold} />}
      {site.refusal && (
        <p className="note stop" role="alert">
          {site.refusal}
        </p>
      )}
      <ul className="said">
        {night.said.map((s) => (
          <li key={s.what + s.subject}>
            {SAID[s.what]?.(name(s.subject), at(s.minute)) ?? s.what}
            <small>
              {s.who}
              {s.why && `: ${s.why}`}
            </small>
            {!s.holds && (
              <p className="note fix">
                {s.what === "dropped"
                  ? say(
                      "tonight.change.stays-due",
                      "It stays in the plan: it is due, and the machine is wanted. Without it the machine stands out of use.",
                    )
                  : say(
                      "tonight.change.cannot-be-kept",
                      "The plan cannot follow it: they may not do it, are not here then, or it has begun.",
                    )}{" "}
                {s.what === "dropped" && (
                  <button
                    className="btn small"
                    type="button"
                    onClick={() =>
                      site.write(
                        enter.outOfUse(
                          machineOf(s.subject) ?? s.subject,
                          true,
                          say("tonight.change.not-cleaned", "not cleaned this night"),
                          tabletNow(),
                        ),
                      )
                    }
                  >
                    {say("tonight.change.put-out-of-use", "Put {0} out of use", machineOf(s.subject) ?? "")}
                  </button>
                )}
              </p>
            )}{" "}
            <button
              className="btn small"
              type="button"
              onClick={() => say_(s.what, s.subject, s.minute, true)}
            >
              {say("tonight.change.take-back", "Take back")}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

type MoveProps = { night: Night; at: (minute: number) => string; onHold: (held: Held) => void };

/** The same as dragging, by lists: which task, to whom, not before when. */
function MoveTask({ night, at, onHold }: MoveProps) {
  const machines = new Map(night.cleans.map((c) => [c.procedure, c.machine]));
  const tasks = night.plan.tasks.filter((t) => t.hands);
  const [task, setTask] = useState(tasks[0]?.id ?? "");
  const placed = tasks.find((t) => t.id === task);
  const [person, setPerson] = useState("");
  const [minute, setMinute] = useState<number | null>(null);
  const names = new Map(night.tasks.map((t) => [t.id, t]));
  const times = Array.from({ length: Math.floor(night.minutes / 15) + 1 }, (_, i) => i * 15);
  return (
    <form
      className="change-say"
      onSubmit={(e) => {
        e.preventDefault();
        if (placed) {
          onHold({
            task,
            person: person || (placed.people[0] ?? ""),
            minute: minute ?? placed.from,
          });
        }
      }}
    >
      <label>
        {say("tonight.move.task", "Task")}
        <select value={task} onChange={(e) => setTask(e.currentTarget.value)}>
          {tasks.map((t) => (
            <option key={t.id} value={t.id}>
              {at(t.from)} {machines.get(names.get(t.id)?.group ?? "")}{" "}
              {toldTask(names.get(t.id)?.name ?? "")}
            </option>
          ))}
        </select>
      </label>
      <label>
        {say("tonight.move.to", "To")}
        <select value={person} onChange={(e) => setPerson(e.currentTarget.value)}>
          <option value="">{say("tonight.move.same", "whose it is")}</option>
          {night.people.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </label>
      <label>
        {say("tonight.move.not-before", "Not before")}
        <select
          value={minute ?? ""}
          onChange={(e) => setMinute(e.currentTarget.value === "" ? null : Number(e.currentTarget.value))}
        >
          <option value="">{say("tonight.move.as-it-is", "as it is")}</option>
          {times.map((m) => (
            <option key={m} value={m}>
              {at(m)}
            </option>
          ))}
        </select>
      </label>
      <button className="btn" type="submit">
        {say("tonight.move.look", "See what else moves")}
      </button>
    </form>
  );
}

type SayProps = {
  kind: Kind;
  subjects: [string, string][];
  first: number;
  night: Night;
  at: (minute: number) => string;
  onSay: (subject: string, minute: number) => void;
  onTry: (subject: string, minute: number) => void;
};

function Say({ kind, subjects, first, night, at, onSay, onTry }: SayProps) {
  const [subject, setSubject] = useState(subjects[0]?.[0] ?? "");
  const [minute, setMinute] = useState(first);
  const times = Array.from({ length: Math.floor(night.minutes / 30) + 1 }, (_, i) => i * 30);
  const all = times.includes(minute) ? times : [...times, minute].sort((a, b) => a - b);
  return (
    <div className="change-say">
      {kind.of !== "site" && (
        <label>
          {kind.of === "person"
            ? say("tonight.change.who", "Who")
            : say("tonight.change.which", "Which machine")}
          <select value={subject} onChange={(e) => setSubject(e.currentTarget.value)}>
            {subjects.map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      {kind.minute && (
        <label>
          {kind.minute}
          <select value={minute} onChange={(e) => setMinute(Number(e.currentTarget.value))}>
            {all.map((m) => (
              <option key={m} value={m}>
                {at(m)}
              </option>
            ))}
          </select>
        </label>
      )}
      <button className="btn main" type="button" onClick={() => onSay(subject, minute)}>
        {say("tonight.change.say-it", "Say it, and plan again")}
      </button>
      <button className="btn" type="button" onClick={() => onTry(subject, minute)}>
        {say("tonight.change.only-try", "Only try it")}
      </button>
    </div>
  );
}
