import { useSyncExternalStore } from "react";
import { useSite } from "./session";
import type { Volumes } from "./volume";

/** How this tablet shows and tells; kept on the device, since it is the device that hangs at the machine. */
export type Settings = {
  /** Empty until somebody chooses one: then it is the site's. */
  language: string;
  size: "normal" | "large" | "largest";
  left: boolean;
  sound: boolean;
  vibrate: boolean;
  /** Liters or gallons. */
  volumes: Volumes;
};

const KEY = "floor-settings";
const DEFAULT: Settings = {
  language: "",
  size: "normal",
  left: false,
  sound: true,
  vibrate: false,
  volumes: "L",
};

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

/** Liters or gallons from now on. What is said stands in lists that were put together before, so the page is loaded anew. */
export function measureIn(volumes: Volumes) {
  set({ volumes });
  location.reload();
}

export function useSettings(): Settings {
  return useSyncExternalStore((told) => {
    listening.add(told);
    return () => listening.delete(told);
  }, read);
}

/** The language that somebody has chosen on this device, else the site's. */
export function useLanguage(): string {
  const site = useSite().data?.ways.language;
  return useSettings().language || site || "en";
}
