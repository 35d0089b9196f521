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
  const written = useRef(params.toString());
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const newest = useRef(asked);

  // A link, or back and forward: what the address says counts.
  useEffect(() => {
    const now = params.toString();
    if (now !== written.current) {
      written.current = now;
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
        written.current = next.toString();
        setParams(next, { replace: true });
      }, CALM_MS);
    },
    [setParams],
  );
  return [asked, put];
}
