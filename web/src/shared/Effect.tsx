import type { UseQueryResult } from "@tanstack/react-query";
import { ApiProblem, message, type Schemas } from "../api/client";
import { say } from "./say";
import { sentence, told } from "./texts";

type Props = { query: UseQueryResult<Schemas["Effect"], Error>; changed: boolean };

/** What a change does to the approved procedures, before it is saved. */
export function Effect({ query, changed }: Props) {
  return (
    <section
      className="effect"
      aria-label={say("shared.effect.what-it-does", "What it does")}
      aria-live="polite"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and the keyboard has to get into it
      tabIndex={0}
    >
      {!changed && (
        <p className="quiet">
          {say("shared.effect.change-something-to-see-what-it", "Change something to see what it does.")}
        </p>
      )}
      {changed && query.isFetching && !query.data && (
        <p className="quiet">
          {say("shared.effect.running-every-approved-procedure", "Running every approved procedure…")}
        </p>
      )}
      {changed && query.isError && (
        <p className="note stop">
          {query.error instanceof ApiProblem && query.error.fields.length > 0
            ? query.error.fields[0].message
            : message(query.error)}
        </p>
      )}
      {changed && query.data && query.data.lost.length === 0 && (
        <p className="note done">
          {say(
            "shared.effect.all-approved-procedures-say-the-same",
            "All {0} approved procedures say the same as before.",
            query.data.approved,
          )}
        </p>
      )}
      {changed && query.data && query.data.lost.length > 0 && (
        <>
          <p>
            <b>
              {say(
                "shared.effect.of-approved-procedures-no-longer-pass",
                "{0} of {1} approved procedures no longer pass:",
                query.data.lost.length,
                query.data.approved,
              )}
            </b>
          </p>
          <ul>
            {query.data.lost.map((l) => (
              <li key={l.id}>
                {told(l.title)}
                <ul>
                  {l.because.map((b) => (
                    <li key={b.english} className="quiet">
                      {sentence(b)}
                    </li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
