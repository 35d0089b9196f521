import { useSearchParams } from "react-router";

/** What a list is narrowed to. It stands in the address, so that it can be kept, shared and gone back to. */
export function useFilters(): [(key: string) => string, (key: string, value: string) => void] {
  const [params, setParams] = useSearchParams();
  const set = (key: string, value: string) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        if (value) {
          next.set(key, value);
        } else {
          next.delete(key);
        }
        return next;
      },
      { replace: true },
    );
  return [(key) => params.get(key) ?? "", set];
}
