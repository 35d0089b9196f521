import { useEffect, useRef } from "react";
import { clock, type Pack, remaining, type State } from "./fold";
import { useSettings } from "./settings";
import type { Say } from "./texts";

/** What runs on over steps: soaks, cooling, drying, contact. It calls once when a time is up. */
export function Timers({ pack, state, at, say }: { pack: Pack; state: State; at: number; say: Say }) {
  const settings = useSettings();
  const running = Object.keys(state.timers)
    .map((id) => ({ id, step: pack.steps.find((s) => s.id === id) }))
    .filter((t) => t.step?.timer && !collected(pack, state, t.id))
    .map((t) => ({
      id: t.id,
      name: t.step?.timer?.name ?? "",
      left: remaining(pack, state, t.id, at),
      // Begun anew it is another one, and calls again.
      run: `${t.id} ${state.timers[t.id]}`,
    }));
  const over = running.filter((t) => t.left === 0).map((t) => t.run);
  const called = useRef(new Set(over));
  useEffect(() => {
    const fresh = over.filter((run) => !called.current.has(run));
    for (const run of fresh) {
      called.current.add(run);
    }
    if (fresh.length > 0) {
      call(settings.sound, settings.vibrate);
    }
  });
  return (
    <>
      {running.map((t) => (
        <div key={t.id} className={`floor-timer${t.left === 0 ? " over" : ""}`} role="timer">
          <span>{say(t.name).replace(/^./, (c) => c.toUpperCase())}</span>
          <strong>{t.left > 0 ? clock(t.left) : say("time is up")}</strong>
        </div>
      ))}
      <span className="sr-only" aria-live="assertive">
        {running
          .filter((t) => t.left === 0)
          .map((t) => `${say(t.name)}: ${say("time is up")}`)
          .join(". ")}
      </span>
    </>
  );
}

/** A soak is over for the eye once the step that waits for it is done; contact once its own step is. */
function collected(pack: Pack, state: State, id: string): boolean {
  const own = pack.steps.find((s) => s.id === id);
  const after = pack.steps.find((s) => s.waitsFor === id);
  return own?.timer?.contact
    ? state.done.includes(id)
    : after !== undefined
      ? state.done.includes(after.id)
      : state.current === undefined;
}

/** Two tones, low enough to be heard over water. */
function call(sound: boolean, vibrate: boolean) {
  if (vibrate) {
    navigator.vibrate?.([300, 150, 300]);
  }
  if (!sound || !globalThis.AudioContext) {
    return;
  }
  const audio = new AudioContext();
  for (const [i, hertz] of [440, 587].entries()) {
    const tone = audio.createOscillator();
    const level = audio.createGain();
    level.gain.value = 0.2;
    tone.frequency.value = hertz;
    tone.connect(level).connect(audio.destination);
    tone.start(audio.currentTime + i * 0.35);
    tone.stop(audio.currentTime + i * 0.35 + 0.3);
  }
  window.setTimeout(() => void audio.close(), 1500);
}
