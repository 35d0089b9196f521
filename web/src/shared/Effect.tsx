import type { UseQueryResult } from "@tanstack/react-query";
import { ApiProblem, message, type Schemas } from "../api/client";

type Props = { query: UseQueryResult<Schemas["Effect"], Error>; changed: boolean };

/** What a change does to the approved procedures, before it is saved. */
export function Effect({ query, changed }: Props) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, and the keyboard has to get into it
    <section className="effect" aria-label="What it does" aria-live="polite" tabIndex={0}>
      {!changed && <p className="quiet">Change something to see what it does.</p>}
      {changed && query.isFetching && !query.data && (
        <p className="quiet">Running every approved procedure…</p>
      )}
      {changed && query.isError && (
        <p className="note stop">
          {query.error instanceof ApiProblem && query.error.fields.length > 0
            ? query.error.fields[0].message
            : message(query.error)}
        </p>
      )}
      {changed && query.data && query.data.lost.length === 0 && (
        <p className="note done">All {query.data.approved} approved procedures say the same as before.</p>
      )}
      {changed && query.data && query.data.lost.length > 0 && (
        <>
          <p>
            <b>
              {query.data.lost.length} of {query.data.approved} approved procedures no longer pass:
            </b>
          </p>
          <ul>
            {query.data.lost.map((l) => (
              <li key={l.id}>
                {l.title}
                <ul>
                  {l.because.map((b) => (
                    <li key={b} className="quiet">
                      {b}
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
