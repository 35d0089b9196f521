import { useEffect, useState } from "react";

/**
 * Listens for the bell that rings when something on the floor changed. It says "lost" while the
 * connection is gone; the browser comes back by itself, and then `onRing` is called for what was missed.
 */
export function useLive(onRing: (what: string) => void): "live" | "lost" {
  const [state, setState] = useState<"live" | "lost">("live");
  useEffect(() => {
    const source = new EventSource("/api/live");
    let was = true;
    source.addEventListener("changed", (e) => onRing((e as MessageEvent<string>).data));
    source.addEventListener("ready", () => {
      setState("live");
      if (!was) {
        onRing("");
      }
      was = true;
    });
    source.addEventListener("error", () => {
      was = false;
      setState("lost");
    });
    return () => source.close();
  }, [onRing]);
  return state;
}
