import { startTransition, useEffect, useState } from "react";

/**
 * What a hand holds while it drags: it moves at once, and the rest of the page follows when it can. Let go of as
 * soon as the page says the same.
 */
export function useHand<T extends Record<string, number | undefined>>(
  settled: T,
  onMove: (to: T) => void,
): [T, (to: T) => void] {
  const [held, setHeld] = useState<T | null>(null);
  useEffect(() => {
    setHeld((h) => (h && Object.keys(h).every((k) => h[k] === settled[k]) ? null : h));
  }, [settled]);
  return [
    held ?? settled,
    (to) => {
      setHeld(to);
      startTransition(() => onMove(to));
    },
  ];
}
