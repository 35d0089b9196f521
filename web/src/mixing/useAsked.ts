import { useCallback, useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";

/** What is asked of the bench, by name; a value that is null is taken back. */
export type Put = (to: Record<string, string | number | null>) => void;

/** After this long without a change the address follows. */
const CALM_MS = 250;

/**
 * What is asked of the bench. It answers at once; the address, by which it can be sent to somebody and which a
 * reload keeps, follows when the hand is still: a browser takes only so many changes of an address a second, and
 * each redraws the page.
 */
export function useAsked(): [URLSearchParams, Put] {
  const [params, setParams] = useSearchParams();
  const [asked, setAsked] = useState(params);
  /** The addresses that were written here and have not come back yet, the oldest first. */
  const underWay = useRef<string[]>([params.toString()]);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const newest = useRef(asked);

  // A link, or back and forward: what the address says counts. An address of our own that comes back late, when
  // the next one is already on its way, says nothing new.
  useEffect(() => {
    const own = underWay.current.indexOf(params.toString());
    underWay.current.splice(0, own + 1);
    if (own < 0) {
      underWay.current = [];
      newest.current = params;
      clearTimeout(timer.current);
      setAsked(params);
    }
  }, [params]);

  useEffect(() => () => clearTimeout(timer.current), []);

  const put = useCallback<Put>(
    (to) => {
      const next = new URLSearchParams(newest.current);
      for (const [k, v] of Object.entries(to)) {
        if (v === null) {
          next.delete(k);
        } else {
          next.set(k, String(v));
        }
      }
      newest.current = next;
      setAsked(next);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => {
        underWay.current.push(next.toString());
        setParams(next, { replace: true });
      }, CALM_MS);
    },
    [setParams],
  );
  return [asked, put];
}
