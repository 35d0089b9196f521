import { say } from "../shared/say";
import { toldTask } from "../shared/texts";
import { type Move, movesOf, type Night } from "./night";

type Props = { night: Night; moves: Move[]; at: (minute: number) => string };

/** Who has to be told what: each person with what is new to them or not theirs any more. */
export function Moved({ night, moves, at }: Props) {
  const people = movesOf(night, moves);
  const named = new Map(night.tasks.map((t) => [t.id, t]));
  const machines = new Map(night.cleans.map((c) => [c.procedure, c.machine]));
  const what = (id: string) => {
    const t = named.get(id);
    return `${machines.get(t?.group ?? id.split("/")[0]) ?? ""} ${t ? toldTask(t.name) : ""}`;
  };
  const becomes = (m: Move, person: string) => {
    if (!m.now) {
      return say("tonight.moved.gone", "{0}: not any more", what(m.task));
    }
    if (!m.now.people.includes(person)) {
      return say("tonight.moved.not-yours", "{0}: another does it now", what(m.task));
    }
    return m.was?.people.includes(person)
      ? say("tonight.moved.time", "{0}: at {1} instead of {2}", what(m.task), at(m.now.from), at(m.was.from))
      : say("tonight.moved.new", "{0}: new, at {1}", what(m.task), at(m.now.from));
  };
  return (
    <ul className="moved">
      {people.map((p) => (
        <li key={p.person}>
          <strong>{p.name}</strong>
          {p.moves.map((m) => (
            <small key={m.task}>{becomes(m, p.person)}</small>
          ))}
        </li>
      ))}
    </ul>
  );
}
