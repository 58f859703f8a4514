/**
 * The port of a kitchen scale. A driver says what the display shows, as often as it changes; taring is asked of it, as the scale
 * itself does it. A real scale (serial or wireless, opened by the browser) plugs in here with the same few words.
 */
export interface ScalePort {
  /** Calls back with every reading until the returned function is called. */
  subscribe(hear: (reading: ScaleReading) => void): () => void;
  tare(): void;
}

/** What the display shows. "unsettled" while the number still moves; no number at all when the scale cannot be heard. */
export type ScaleReading =
  | { readonly kind: "weight"; readonly grams: number; readonly isSettled: boolean }
  | { readonly kind: "overload" }
  | { readonly kind: "lost" };

/** The stand-in's inside: what lies on it, and its faults. Grams; milliseconds. */
export interface SimulatedScale {
  readonly onPan: number;
  readonly tareGrams: number;
  /** What the load cell feels; follows what lies on the pan slowly. */
  readonly felt: number;
  readonly driftGrams: number;
  readonly isDrifting: boolean;
  readonly isSlow: boolean;
  readonly isPlugged: boolean;
  /** For how long the felt weight has been steady. */
  readonly steadyMs: number;
  /** Tare was pressed, and it waits for the weight to stand still, as scales do. */
  readonly isTaring: boolean;
}

/** How the stand-in behaves (typical of a kitchen scale of 1 g steps). */
export const scaleFigures = {
  stepGrams: 1,
  noiseGrams: 0.25,
  mostGrams: 5000,
  settleMs: { usual: 180, slow: 1500 },
  driftGramsPerSecond: 0.4,
  steadyMs: 600,
  steadyGrams: 0.6,
} as const;

export const idleScale: SimulatedScale = {
  onPan: 0,
  tareGrams: 0,
  felt: 0,
  driftGrams: 0,
  isDrifting: false,
  isSlow: false,
  isPlugged: true,
  steadyMs: scaleFigures.steadyMs,
  isTaring: false,
};

export type ScaleAction =
  | { readonly kind: "put"; readonly grams: number }
  | { readonly kind: "clear" }
  | { readonly kind: "tare" }
  | { readonly kind: "drift"; readonly isOn: boolean }
  | { readonly kind: "slow"; readonly isOn: boolean }
  | { readonly kind: "plug"; readonly isIn: boolean };

/** Tares once the weight stands still; until then it is only asked for. */
const tared = (scale: SimulatedScale): SimulatedScale =>
  scale.isTaring && scale.steadyMs >= scaleFigures.steadyMs
    ? { ...scale, isTaring: false, tareGrams: scale.felt + scale.driftGrams }
    : scale;

/** What hands do to it: put on, take off, tare, and its faults. */
export function operate(scale: SimulatedScale, action: ScaleAction): SimulatedScale {
  switch (action.kind) {
    case "put":
      return { ...scale, onPan: Math.max(0, scale.onPan + action.grams), steadyMs: 0 };
    case "clear":
      return { ...scale, onPan: 0, steadyMs: 0 };
    case "tare":
      return scale.isPlugged ? tared({ ...scale, isTaring: true }) : scale;
    case "drift":
      return { ...scale, isDrifting: action.isOn };
    case "slow":
      return { ...scale, isSlow: action.isOn };
    case "plug":
      // Plugged in again it weighs from nothing, as scales do.
      return action.isIn
        ? { ...idleScale, onPan: scale.onPan, felt: scale.onPan, tareGrams: scale.onPan }
        : { ...scale, isPlugged: false };
    default:
      return action satisfies never;
  }
}

/** Lets time pass: the felt weight follows what lies there, and a drifting scale wanders. @param elapsedMs more than 0. */
export function pass(scale: SimulatedScale, elapsedMs: number): SimulatedScale {
  const settle = scale.isSlow ? scaleFigures.settleMs.slow : scaleFigures.settleMs.usual;
  const felt = scale.onPan + (scale.felt - scale.onPan) * Math.exp(-elapsedMs / settle);
  const isSteady = Math.abs(felt - scale.onPan) < scaleFigures.steadyGrams;
  return tared({
    ...scale,
    felt,
    driftGrams: scale.isDrifting
      ? scale.driftGrams + (scaleFigures.driftGramsPerSecond * elapsedMs) / 1000
      : scale.driftGrams,
    steadyMs: isSteady ? scale.steadyMs + elapsedMs : 0,
  });
}

/** What the display shows. @param draw a random number from 0 to 1, for the noise of the last digit. */
export function readingOf(scale: SimulatedScale, draw: number): ScaleReading {
  if (!scale.isPlugged) return { kind: "lost" };
  if (scale.felt > scaleFigures.mostGrams) return { kind: "overload" };
  const shown = scale.felt + scale.driftGrams - scale.tareGrams + (draw - 0.5) * 2 * scaleFigures.noiseGrams;
  const { stepGrams } = scaleFigures;
  // Never "−0".
  return {
    kind: "weight",
    grams: Math.round(shown / stepGrams) * stepGrams + 0,
    isSettled: scale.steadyMs >= scaleFigures.steadyMs,
  };
}

/** The stand-in as a port, with its own clock and chance; what operates it is handed out beside. */
export function simulatedScale(everyMs = 100): {
  port: ScalePort;
  act: (action: ScaleAction) => void;
  state: () => SimulatedScale;
} {
  let scale = idleScale;
  let last = "";
  const heard = new Set<(reading: ScaleReading) => void>();
  let timer: ReturnType<typeof setInterval> | undefined;
  const tell = () => {
    const reading = readingOf(scale, Math.random());
    const text = JSON.stringify(reading);
    if (text === last) return;
    last = text;
    for (const hear of heard) hear(reading);
  };
  return {
    port: {
      subscribe(hear) {
        heard.add(hear);
        hear(readingOf(scale, 0.5));
        timer ??= setInterval(() => {
          scale = pass(scale, everyMs);
          tell();
        }, everyMs);
        return () => {
          heard.delete(hear);
          if (heard.size > 0) return;
          clearInterval(timer);
          timer = undefined;
        };
      },
      tare: () => {
        scale = operate(scale, { kind: "tare" });
      },
    },
    act: (action) => {
      scale = operate(scale, action);
    },
    state: () => scale,
  };
}
