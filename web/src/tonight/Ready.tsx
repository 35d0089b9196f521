import type { CoreText } from "../api/client";
import { say } from "../shared/say";
import { listed, sentence } from "../shared/texts";
import { type Block, type Night, readyOf } from "./night";

/** What would help, by the clock: the core counts minutes of the night. */
const price = (text: CoreText, at: (minute: number) => string) =>
  text.id === "night.price-person-from"
    ? say("tonight.ready.person-from", "One more trained person from {0} on", at(Number(text.args[0])))
    : sentence(text);

type Props = { night: Night; blocks: Block[]; at: (minute: number) => string };

/** When each machine is ready against when it is wanted; what is left out, why, and what would help. */
export function Ready({ night, blocks, at }: Props) {
  const all = readyOf(night, blocks);
  return (
    <section aria-label={say("tonight.ready.label", "Ready and wanted")}>
      <h2>{say("tonight.ready.title", "Ready against wanted")}</h2>
      {all.length === 0 && (
        <p className="quiet">{say("tonight.ready.none", "No machine is cleaned this night.")}</p>
      )}
      <Reserve all={all.filter((c) => c.ready !== undefined)} />
      <ul className="ready">
        {all.map((c) => {
          const slack = c.ready === undefined ? undefined : c.wanted - c.ready;
          return (
            <li key={c.procedure} className={c.ready === undefined || (slack ?? 0) < 0 ? "late" : ""}>
              <strong>{c.machine}</strong>{" "}
              {c.ready === undefined ? (
                <>
                  {c.left?.must
                    ? say("tonight.ready.out-of-use", "stands out of use")
                    : say("tonight.ready.left-out", "is left out")}
                  {c.left && (
                    <small>
                      {sentence(c.left.saidReason)}. {say("tonight.ready.would-help", "What would help: ")}
                      {price(c.left.saidPrice, at)}.
                    </small>
                  )}
                </>
              ) : (
                <>
                  {c.over
                    ? say("tonight.ready.is", "is ready since {0}", at(c.ready))
                    : say("tonight.ready.at", "ready at {0}", at(c.ready))}
                  <small>
                    {(slack ?? 0) >= 0
                      ? say("tonight.ready.slack", "{0} min before it is wanted", slack)
                      : say(
                          "tonight.ready.late",
                          "{0} min after it is wanted at {1}",
                          -(slack ?? 0),
                          at(c.wanted),
                        )}
                    {c.latest !== undefined && c.latest !== null && (
                      <>
                        {"; "}
                        {say("tonight.ready.latest", "begin by {0} at the latest", at(c.latest))}
                      </>
                    )}
                  </small>
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Should a swab fail: where there is time to clean again, said by whichever list is shorter. */
function Reserve({ all }: { all: ReturnType<typeof readyOf> }) {
  const fits = all.filter((c) => c.fitsAgain);
  const not = all.filter((c) => !c.fitsAgain);
  if (all.length === 0) {
    return null;
  }
  return (
    <p className="reserve">
      {fits.length === 0
        ? say("tonight.reserve.none", "Should a swab fail, there is no time to clean any machine again.")
        : not.length === 0
          ? say("tonight.reserve.all", "Should a swab fail, there is time to clean any machine again.")
          : fits.length <= not.length
            ? say(
                "tonight.reserve.only",
                "Should a swab fail, there is time to clean again only at {0}.",
                codes(fits),
              )
            : say(
                "tonight.reserve.not",
                "Should a swab fail, there is no time to clean {0} again.",
                codes(not),
              )}
    </p>
  );
}

const codes = (some: { machine: string; again: number }[]) =>
  listed(some.map((c) => say("tonight.reserve.takes", "{0} ({1} min)", c.machine, c.again)));
