/**
 * What thin air changes: gas expands more and water leaves sooner, so that a batter wants less leavener and more liquid (starting
 * values of general high-altitude baking guidance; the instructor's own trials come first).
 */
export interface AltitudeAdvice {
  /** Share of the powder or soda to leave out. */
  readonly lessPowder: { readonly from: number; readonly to: number };
  /** Share of the liquid to add. */
  readonly moreLiquid: { readonly from: number; readonly to: number };
}

/** From these heights on, in metres above the sea, highest first. */
export const altitudeSteps: readonly (AltitudeAdvice & { readonly fromMetres: number })[] = [
  { fromMetres: 1500, lessPowder: { from: 0.25, to: 0.25 }, moreLiquid: { from: 0.05, to: 0.1 } },
  { fromMetres: 1000, lessPowder: { from: 0.1, to: 0.15 }, moreLiquid: { from: 0.05, to: 0.1 } },
];

/** What to change at a height; `undefined` below the first step, or where nobody said how high the kitchen lies. */
export const altitudeAdvice = (metres: number | undefined): AltitudeAdvice | undefined =>
  metres === undefined ? undefined : altitudeSteps.find((step) => metres >= step.fromMetres);
