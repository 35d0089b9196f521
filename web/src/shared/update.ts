/*
 * A new version of this page is fetched in the background and waits. It takes over where nothing is going on: never
 * inside a round, where code that changes under a hand could lose a press or mean another thing by it.
 */

/** Addresses at which somebody may be in the middle of something that cannot be begun anew. */
const BUSY = /^\/(floor\/(?!at\/|start\/)[^/]+|procedures\/[^/]+\/|machines\/[^/]+\/sheet|release\/)/;

export const busy = (path: string) => BUSY.test(path);

type Waits = { registration: ServiceWorkerRegistration | null; stale: boolean };

const state: Waits = { registration: null, stale: false };

/** Takes the new version over if one waits and nothing is going on. */
export function moveOn(path: string, reload: () => void = () => window.location.reload()) {
  if (busy(path)) {
    return;
  }
  if (state.stale) {
    reload();
    return;
  }
  state.registration?.waiting?.postMessage({ type: "SKIP_WAITING" });
}

/** Another version has the cache now, maybe by another tab: this page follows as soon as it may. */
function takenOver() {
  state.stale = true;
  moveOn(window.location.pathname);
}

const EVERY = 30 * 60_000;

/** Registers the worker and looks for a new version now and then. */
export async function keepUpToDate() {
  if (!("serviceWorker" in navigator)) {
    return;
  }
  // The first worker of a device takes over a page that has none; that changes no code.
  const had = navigator.serviceWorker.controller !== null;
  let first = !had;
  navigator.serviceWorker.addEventListener("controllerchange", () => {
    if (first) {
      first = false;
      return;
    }
    takenOver();
  });
  try {
    const registration = await navigator.serviceWorker.register("/sw.js", { scope: "/" });
    state.registration = registration;
    window.setInterval(() => void registration.update().catch(() => undefined), EVERY);
    registration.addEventListener("updatefound", () => {
      registration.installing?.addEventListener("statechange", () => moveOn(window.location.pathname));
    });
    moveOn(window.location.pathname);
  } catch {
    // Without a secure connection there is no worker; the page works while the server is in reach.
  }
}
