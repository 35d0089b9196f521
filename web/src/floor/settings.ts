import { useSyncExternalStore } from "react";

/** How this tablet shows and tells; kept on the device, since it is the device that hangs at the machine. */
export type Settings = {
  language: string;
  size: "normal" | "large" | "largest";
  left: boolean;
  sound: boolean;
  vibrate: boolean;
};

const KEY = "floor-settings";
const DEFAULT: Settings = { language: "en", size: "normal", left: false, sound: true, vibrate: false };

let now: Settings | null = null;
const listening = new Set<() => void>();

function read(): Settings {
  if (!now) {
    try {
      now = { ...DEFAULT, ...(JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<Settings>) };
    } catch {
      now = DEFAULT;
    }
  }
  return now;
}

export function set(change: Partial<Settings>) {
  now = { ...read(), ...change };
  localStorage.setItem(KEY, JSON.stringify(now));
  for (const told of listening) {
    told();
  }
}

export function useSettings(): Settings {
  return useSyncExternalStore((told) => {
    listening.add(told);
    return () => listening.delete(told);
  }, read);
}
