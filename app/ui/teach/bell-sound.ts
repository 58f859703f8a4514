/** A struck bell, made on the spot: a few inharmonic partials that die away at their own pace. No sound file is shipped. */
const partials = [
  { ratio: 1, gain: 0.5, seconds: 2.6 },
  { ratio: 2.01, gain: 0.3, seconds: 1.9 },
  { ratio: 2.98, gain: 0.2, seconds: 1.1 },
  { ratio: 5.2, gain: 0.1, seconds: 0.5 },
] as const;
const pitchHz = 620;

let context: AudioContext | undefined;

/** Browsers allow sound only after a touch: call this from one. @returns whether a bell can be heard from now on. */
export async function allowSound(): Promise<boolean> {
  context ??= typeof AudioContext === "undefined" ? undefined : new AudioContext();
  await context?.resume().catch(() => undefined);
  return context?.state === "running";
}

/** Strikes the bell, `strokes` times; a reminder is one soft stroke. */
export function ringBell(strokes = 2, loudness = 1): void {
  navigator.vibrate?.(Array.from({ length: strokes * 2 - 1 }, (_, index) => (index % 2 === 0 ? 250 : 150)));
  if (!context || context.state !== "running") return;
  for (let stroke = 0; stroke < strokes; stroke += 1) {
    const at = context.currentTime + stroke * 0.55;
    for (const { ratio, gain, seconds } of partials) {
      const oscillator = context.createOscillator();
      const level = context.createGain();
      oscillator.frequency.value = pitchHz * ratio;
      level.gain.setValueAtTime(gain * loudness, at);
      level.gain.exponentialRampToValueAtTime(0.0001, at + seconds);
      oscillator.connect(level).connect(context.destination);
      oscillator.start(at);
      oscillator.stop(at + seconds);
    }
  }
}
