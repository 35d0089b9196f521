import { useEffect, useSyncExternalStore } from "react";

/** Something that can be done here and now, by name. */
export type Command = { id: string; name: string; group: string; run: () => void };

let current: Command[] = [];
const listeners = new Set<() => void>();

function put(next: Command[]) {
  current = next;
  for (const l of listeners) {
    l();
  }
}

/** What the screen that is open offers; gone with the screen. */
export function useOffer(commands: Command[]) {
  useEffect(() => {
    put(commands);
    return () => put([]);
  }, [commands]);
}

export function useCommands(): Command[] {
  return useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => current,
  );
}
