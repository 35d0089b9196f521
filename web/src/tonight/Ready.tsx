import { say } from "../shared/say";
import { sentence } from "../shared/texts";
import { type Block, type Night, readyOf } from "./night";

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
                      {sentence(c.left.saidPrice)}.
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
                  {!c.fitsAgain && (
                    <small>
                      {say(
                        "tonight.ready.no-second",
                        "no time to clean it again should a swab fail: that takes {0} min",
                        c.again,
                      )}
                    </small>
                  )}
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
