import type { Schemas } from "../api/client";
import { fill, say } from "../shared/say";
import { told } from "../shared/texts";

/*
 * The threads of the ribbon in sentences: for whoever hears the page, and under the pointer on a head.
 */

type Ribbon = Schemas["Ribbon"];

const STAGES: Record<string, string> = {
  LIVE: say("ribbon.stories.live", "live at step {0}"),
  STOPPED: say("ribbon.stories.stopped", "stopped at step {0}"),
  UNPLUGGED: say("ribbon.stories.unplugged", "unplugged at step {0}"),
  ISOLATED: say("ribbon.stories.isolated", "isolated at step {0}"),
  LOCKED: say("ribbon.stories.locked", "locked out at step {0}"),
  RELIEVED: say("ribbon.stories.relieved", "no stored energy left from step {0} on"),
  PROVED: say("ribbon.stories.proved", "zero energy verified at step {0}"),
  COOLED: say("ribbon.stories.cooled", "cool from step {0} on"),
};

const MARKS: Record<string, string> = {
  "dry-clean": say("ribbon.stories.dry-clean", "loose soil off at step {0}"),
  wash: say("ribbon.stories.wash", "washed at step {0}"),
  soak: say("ribbon.stories.soak", "soaked at step {0}"),
  rinse: say("ribbon.stories.rinse", "rinsed at step {0}"),
  inspect: say("ribbon.stories.inspect", "inspected at step {0}"),
  sanitize: say("ribbon.stories.sanitize", "sanitized at step {0}"),
  dry: say("ribbon.stories.dry", "dried at step {0}"),
  off: say("ribbon.stories.off", "taken off at step {0}"),
  on: say("ribbon.stories.on", "put back at step {0}"),
  aside: say("ribbon.stories.aside", "moved aside at step {0}"),
  back: say("ribbon.stories.back", "moved back at step {0}"),
};

const MOVES = ["off", "on", "aside", "back"];

const REFUSED = say("ribbon.stories.refused", "step {0} tried, and it does not count");

const filled = (sentence: string | undefined, step: number) => fill(sentence ?? "", step);

/** "Motor on its cord: live at the start, stopped at step 1." */
export function storyOfEnergy(thread: Schemas["EnergyThread"]): string {
  const pieces = thread.spans.filter((s) => s.from > 0).map((s) => filled(STAGES[s.stage], s.from));
  return say(
    "ribbon.stories.energy",
    "{0}: {1}.",
    told(thread.name),
    pieces.length === 0
      ? say("ribbon.stories.live-all-night", "live all night")
      : [say("ribbon.stories.live-at-the-start", "live at the start"), ...pieces].join(", "),
  );
}

/** "Blade, back: soiled, washed at step 9, rinsed at step 11; ends as its sheet asks." */
export function storyOfSurface(name: string, thread: Schemas["SurfaceThread"]): string {
  const pieces = thread.marks.map((m) => filled(m.granted ? MARKS[m.kind] : REFUSED, m.step));
  const end = thread.end
    ? say("ribbon.stories.ends-well", "ends as its sheet asks")
    : thread.due
      ? say("ribbon.stories.ends-badly", "does not end as its sheet asks")
      : say("ribbon.stories.not-due", "not due");
  return say(
    "ribbon.stories.surface",
    "{0}: {1}; {2}.",
    told(name),
    pieces.length === 0
      ? say("ribbon.stories.nobody-comes", "soiled from the start, no step reaches it")
      : [say("ribbon.stories.soiled", "soiled"), ...pieces].join(", "),
    end,
  );
}

/** What each step did to the machine, the first at 0. */
export function deeds(ribbon: Ribbon): string[] {
  const moves = ribbon.steps.map(() => new Set<string>());
  const energies = ribbon.steps.map((): string[] => []);
  const reached = ribbon.steps.map(() => 0);
  const refused = ribbon.steps.map(() => 0);
  for (const e of ribbon.energies) {
    for (const s of e.spans.filter((s) => s.from > 0)) {
      energies[s.from - 1]?.push(`${told(e.name)}: ${filled(STAGES[s.stage], s.from)}`);
    }
  }
  for (const t of ribbon.surfaces) {
    for (const m of t.marks) {
      if (MOVES.includes(m.kind)) {
        for (const s of t.surfaces) {
          moves[m.step - 1]?.add(`${told(s.part)}: ${filled(MARKS[m.kind], m.step)}`);
        }
      } else {
        (m.granted ? reached : refused)[m.step - 1] += t.surfaces.length;
      }
    }
  }
  return ribbon.steps.map((_, i) => {
    const said = [...energies[i], ...moves[i]];
    if (reached[i] > 0) {
      said.push(
        say("ribbon.stories.reaches", "reaches {0, plural, one {# surface} other {# surfaces}}", reached[i]),
      );
    }
    if (refused[i] > 0) {
      said.push(
        say(
          "ribbon.stories.does-not-count",
          "does not count on {0, plural, one {# surface} other {# surfaces}}",
          refused[i],
        ),
      );
    }
    return said.length === 0
      ? say("ribbon.stories.nothing", "Changes nothing on the machine.")
      : `${said.join("; ")}.`;
  });
}
