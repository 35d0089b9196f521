import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useSession } from "../shared/session";
import type { Night } from "./night";

type Props = { night: Night; at: (minute: number) => string; onTry: (whatIf: string) => void };

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
  begun: (who, when) => say("tonight.said.begun", "{0} was begun at {1}", who, when),
  finished: (who) => say("tonight.said.finished", "{0} is done", who),
};

/** One press says what has changed; the plan follows. What was said can be taken back. */
export function Changes({ night, at, onTry }: Props) {
  const queries = useQueryClient();
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [kind, setKind] = useState<Kind | null>(null);
  const now = Math.max(0, Math.round((night.now - night.from) / 60_000));
  const subjects = (k: Kind): [string, string][] =>
    k.of === "person"
      ? night.people.map((p) => [p.id, p.name])
      : k.of === "machine"
        ? night.cleans.map((c) => [c.machine, c.machine])
        : k.of === "clean"
          ? night.cleans.map((c) => [c.procedure, `${c.machine}`])
          : [["", ""]];
  const name = (subject: string) =>
    night.people.find((p) => p.id === subject)?.name ??
    night.cleans.find((c) => c.procedure === subject || c.machine === subject)?.machine ??
    subject;
  const say_ = (what: string, subject: string, minute: number, undone: boolean) => {
    site.write(enter.nightSaid(night.night, what, subject, minute, undone, tabletNow()));
    setKind(null);
    window.setTimeout(() => void queries.invalidateQueries({ queryKey: keys.tonight() }), 500);
  };
  const mine = night.said.filter((s) => s.what !== "begun" && s.what !== "finished");
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
      {site.refusal && (
        <p className="note stop" role="alert">
          {site.refusal}
        </p>
      )}
      <ul className="said">
        {mine.map((s) => (
          <li key={s.what + s.subject}>
            {SAID[s.what]?.(name(s.subject), at(s.minute)) ?? s.what}{" "}
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
