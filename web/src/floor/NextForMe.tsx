import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, type Schemas, unwrap } from "../api/client";
import * as enter from "../round/entries";
import { tabletNow } from "../round/outbox";
import { useSiteStream } from "../round/useSiteStream";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { listed, told, toldTask } from "../shared/texts";

const SHOWN = 3;

/** What the plan of the night has next for whoever is here; the first of it can be started at once. */
export function NextForMe() {
  const session = useSession().data;
  const clock = useClock();
  const tonight = useQuery({
    queryKey: keys.tonight(""),
    queryFn: () => heard("tonight", () => unwrap(api.GET("/api/tonight", { params: { query: {} } }))),
    retry: false,
  });
  const night = tonight.data;
  if (!night || !session?.person) {
    return null;
  }
  const minute = (night.now - night.from) / 60_000;
  const tasks = new Map(night.tasks.map((t) => [t.id, t]));
  const next = night.plan.tasks
    .filter((t) => t.people.includes(session.person ?? "") && t.to > minute)
    .slice(0, SHOWN);
  if (next.length === 0) {
    return null;
  }
  const machine = (group: string | undefined) =>
    night.cleans.find((c) => c.procedure === group)?.machine ?? "";
  const first = tasks.get(next[0].id)?.group;
  return (
    <section className="floor-next" aria-label={say("floor.next.label", "Next for you")}>
      <h2>{say("floor.next.title", "Next for you")}</h2>
      <ol>
        {next.map((t) => (
          <li key={t.id}>
            <strong>{clock.time(night.from + t.from * 60_000)}</strong> {machine(tasks.get(t.id)?.group)}{" "}
            {toldTask(tasks.get(t.id)?.name ?? t.id)}
            {t.people.length > 1 && ` · ${say("floor.next.two", "{0} people", t.people.length)}`}
            <Takes task={tasks.get(t.id)} />
            <From night={night} task={t} person={session.person ?? ""} />
          </li>
        ))}
      </ol>
      {first && !next[0].id.endsWith("/release") && (
        <Link className="floor-btn" to={`/floor/at/${machine(first)}`}>
          {say("floor.next.to-it", "To {0}", machine(first))}
        </Link>
      )}
      {first && <Mine night={night} group={first} machine={machine(first)} person={session.person} />}
    </section>
  );
}

/** Carts and single tools that are fetched for it: here the plan knows that they are free. */
function Takes({ task }: { task: Schemas["NightTask"] | undefined }) {
  return task && task.takes.length > 0 ? (
    <span className="floor-from">{say("floor.next.takes", "Take {0}.", listed(task.takes.map(told)))}</span>
  ) : null;
}

type FromProps = { night: Schemas["TonightView"]; task: Schemas["TaskDocument"]; person: string };

/** Whom a machine is taken over from: locks change hands at the machine, and it is never without one. */
function From({ night, task, person }: FromProps) {
  const group = new Map(night.tasks.map((t) => [t.id, t.group]));
  const own = group.get(task.id);
  const before = [
    ...night.done.filter((d) => d.group === own),
    ...night.plan.tasks.filter((t) => group.get(t.id) === own),
  ]
    .filter((t) => t.hands && t.to <= task.from)
    .sort((a, b) => b.to - a.to)[0];
  if (!before || task.id.endsWith("/release") || before.people.includes(person)) {
    return null;
  }
  const names = before.people.map((p) => night.people.find((n) => n.id === p)?.name ?? p);
  return (
    <span className="floor-from">
      {say(
        "floor.next.take-over",
        "You take over from {0}. Where it is locked out: your lock on before theirs comes off.",
        names.join(", "),
      )}
    </span>
  );
}

const REASONS = [
  say("floor.next.hurt", "I am hurt or unwell"),
  say("floor.next.not-shown", "I was not shown it"),
  say("floor.next.busy", "I am not done with the machine before"),
  say("floor.next.missing", "Something is missing for it"),
];

type MineProps = { night: Schemas["TonightView"]; group: string; machine: string; person: string };

/** Whoever it was planned for takes it on, or says why not; then the plan finds another. */
function Mine({ night, group, machine, person }: MineProps) {
  const session = useSession().data;
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const [over, setOver] = useState(false);
  const subject = `${group}@${person}`;
  const accepted = night.said.some((s) => s.what === "accepted" && s.subject === subject);
  const sayIt = (what: string, why?: string) => {
    site.write(enter.nightSaid(night.night, what, subject, 0, false, tabletNow(), why));
    setOver(false);
  };
  return (
    <div className="floor-mine">
      {accepted ? (
        <p>{say("floor.next.accepted", "You have taken {0} on.", machine)}</p>
      ) : (
        <button className="floor-btn" type="button" onClick={() => sayIt("accepted")}>
          {say("floor.next.accept", "I take {0} on", machine)}
        </button>
      )}
      <button className="floor-btn" type="button" aria-expanded={over} onClick={() => setOver(!over)}>
        {say("floor.next.hand-over", "I cannot")}
      </button>
      {over && (
        <fieldset>
          <legend>{say("floor.next.why", "Why? Another takes {0}.", machine)}</legend>
          {REASONS.map((r) => (
            <button key={r} className="floor-btn" type="button" onClick={() => sayIt("handed-over", r)}>
              {r}
            </button>
          ))}
        </fieldset>
      )}
      {site.refusal && <p role="alert">{site.refusal}</p>}
    </div>
  );
}
