/*
 * Three short tones, made here: no file, and the same on every device. A browser is silent until somebody has
 * touched its page once; then nothing is said about it.
 */
const TONES = [880, 660, 880];
const LONG = 0.22;
const LOUD = 0.4;

let device: AudioContext | undefined;

/** Calls whoever is in hearing. */
export function beep() {
  if (!("AudioContext" in globalThis)) {
    return;
  }
  device ??= new AudioContext();
  const sound = device;
  sound.resume().catch(() => undefined);
  TONES.forEach((height, i) => {
    const at = sound.currentTime + i * LONG * 1.3;
    const tone = sound.createOscillator();
    const volume = sound.createGain();
    tone.frequency.value = height;
    volume.gain.setValueAtTime(LOUD, at);
    volume.gain.setValueAtTime(0, at + LONG);
    tone.connect(volume).connect(sound.destination);
    tone.start(at);
    tone.stop(at + LONG);
  });
}
