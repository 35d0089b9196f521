import type { Schemas } from "../api/client";
import { say } from "../shared/say";
import { sentence, toldTask } from "../shared/texts";
import { Moved } from "./Moved";
import type { Held, Night } from "./night";

type Props = {
  night: Night;
  held: Held;
  drag: Schemas["DragView"] | undefined;
  at: (minute: number) => string;
  /** Whether the hand has let go. */
  down: boolean;
  onKeep: () => void;
  onBack: () => void;
};

/** What else moves and what breaks where a task is held; it is kept or put back once the hand has let go. */
export function Consequences({ night, held, drag, at, down, onKeep, onBack }: Props) {
  const task = night.tasks.find((t) => t.id === held.task);
  const who = night.people.find((p) => p.id === held.person)?.name ?? "";
  const breaks = drag?.breaks ?? [];
  const others = (drag?.moves ?? []).filter((m) => m.task !== held.task);
  return (
    <section
      className="consequences"
      aria-live="polite"
      aria-label={say("tonight.held.label", "What it does")}
    >
      <p>
        <strong>{task ? toldTask(task.name) : held.task}</strong>{" "}
        {say("tonight.held.where", "by {0}, not before {1}", who, at(held.minute))}
      </p>
      {breaks.map((b) => (
        <p key={b.english} className="note stop">
          {sentence(b)}.
        </p>
      ))}
      {(drag?.costs ?? []).map((c) => (
        <p key={c.english} className="note fix">
          {sentence(c)}.
        </p>
      ))}
      {drag && breaks.length === 0 && others.length === 0 && (
        <p className="quiet">{say("tonight.held.nothing", "Nothing else moves.")}</p>
      )}
      {breaks.length === 0 && others.length > 0 && <Moved night={night} moves={others} at={at} />}
      {down && (
        <p>
          <button className="btn main" type="button" disabled={!drag || breaks.length > 0} onClick={onKeep}>
            {say("tonight.held.keep", "Keep it like this")}
          </button>{" "}
          <button className="btn" type="button" onClick={onBack}>
            {say("tonight.held.back", "Put it back")}
          </button>
        </p>
      )}
    </section>
  );
}
