import { useEffect, useRef } from "react";
import { clock, type Running } from "../round/core";
import { say } from "../shared/say";
import { useSettings } from "../shared/settings";
import { told } from "../shared/texts";

/** What runs on over steps: soaks, cooling, drying, contact. It calls once when a time is up. */
export function Timers({ running: all, at }: { running: Running[]; at: number }) {
  const settings = useSettings();
  const running = all.map((t) => ({
    id: t.step,
    name: t.name,
    left: Math.max(0, t.ends - at),
    // Begun anew it is another one, and calls again.
    run: `${t.step} ${t.ends}`,
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
          <span>{told(t.name).replace(/^./, (c) => c.toUpperCase())}</span>
          <strong>{t.left > 0 ? clock(t.left) : say("floor.timers.time-is-up", "time is up")}</strong>
        </div>
      ))}
      <span className="sr-only" aria-live="assertive">
        {running
          .filter((t) => t.left === 0)
          .map((t) => `${told(t.name)}: ${say("floor.timers.time-is-up", "time is up")}`)
          .join(". ")}
      </span>
    </>
  );
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
