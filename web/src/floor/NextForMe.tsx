import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, unwrap } from "../api/client";
import { heard } from "../shared/kept";
import { keys } from "../shared/keys";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { toldTask } from "../shared/texts";

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
          </li>
        ))}
      </ol>
      {first && !next[0].id.endsWith("/release") && (
        <Link className="floor-btn" to={`/floor/at/${machine(first)}`}>
          {say("floor.next.to-it", "To {0}", machine(first))}
        </Link>
      )}
    </section>
  );
}
