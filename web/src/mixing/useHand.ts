import { startTransition, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";

/** The rest of the page follows once the hand has rested for so long. */
const REST_MS = 60;

/**
 * What a hand holds while it drags: it is drawn in the frame in which it moves, and the rest of the page follows.
 * Let go of as soon as the page says the same. What moves by a key moves all of the page at once.
 */
export function useHand<T extends Record<string, number | undefined>>(
  settled: T,
  onMove: (to: T) => void,
): [T, (to: T, dragging: boolean) => void] {
  const [held, setHeld] = useState<T | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    setHeld((h) => (h && Object.keys(h).every((k) => h[k] === settled[k]) ? null : h));
  }, [settled]);
  useEffect(() => () => clearTimeout(timer.current), []);
  return [
    held ?? settled,
    (to, dragging) => {
      clearTimeout(timer.current);
      if (!dragging) {
        setHeld(null);
        onMove(to);
        return;
      }
      flushSync(() => setHeld(to));
      timer.current = setTimeout(() => startTransition(() => onMove(to)), REST_MS);
    },
  ];
}
