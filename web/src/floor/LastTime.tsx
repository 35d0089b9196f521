import { useSiteStream } from "../round/useSiteStream";
import { say } from "../shared/say";
import { useClock, useSession } from "../shared/session";
import { told } from "../shared/texts";

/** Of what went wrong before, so much stands before a step. */
const SHOWN = 2;

type Props = { machine: string; pieces: { key: string }[] };

/** What was wrong with a part after earlier cleans, told before it goes back. */
export function LastTime({ machine, pieces }: Props) {
  const session = useSession().data;
  const clock = useClock();
  const site = useSiteStream({ name: session?.name ?? "", person: session?.person, role: session?.role });
  const parts = new Set(pieces.map((p) => p.key.slice(0, p.key.lastIndexOf("#"))));
  const before = site.newest
    .filter((k) => k.entry.kind === "trouble-cured")
    .map((k) => {
      const text = (name: string) => k.entry.figures.find((f) => f.name === name)?.text ?? "";
      return { at: k.at, machine: text("machine"), part: text("part"), found: text("found") };
    })
    .filter((k) => k.machine === machine && parts.has(k.part))
    .sort((a, b) => b.at - a.at)
    .slice(0, SHOWN);
  return before.length === 0 ? null : (
    <p className="floor-caution">
      {before.map((b) => (
        <span key={b.at}>
          {say("floor.last-time.was", "{0}: afterwards it was {1}.", clock.day(b.at), told(b.found))}{" "}
        </span>
      ))}
    </p>
  );
}
