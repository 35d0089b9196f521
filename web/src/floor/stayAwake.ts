import { useEffect } from "react";

/** While a round is open the screen stays on: a wet hand does not wake it. Where the device cannot, it dims as it does. */
export function useStayAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const hold = async () => {
      if (left || document.visibilityState !== "visible" || !navigator.wakeLock) {
        return;
      }
      try {
        lock = await navigator.wakeLock.request("screen");
        if (left) {
          await lock.release();
        }
      } catch {
        // The battery is low, or the page is not shown: nothing that matters here.
      }
    };
    // The device takes it away whenever the page is hidden.
    document.addEventListener("visibilitychange", hold);
    void hold();
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release().catch(() => undefined);
    };
  }, []);
}

/** Asks the device not to throw away what it keeps while the server has not got it. */
export async function keepForGood(): Promise<boolean> {
  const storage = navigator.storage;
  if (!storage?.persist) {
    return false;
  }
  return (await storage.persisted()) || (await storage.persist());
}
