/**
 * What a scale with the given readability would show.
 *
 * @param massG mass in grams
 * @param readabilityG the scale's smallest step in grams, > 0
 * @returns grams, a multiple of the step (halves go away from zero), free of binary dust
 * @example roundToScale(123.456, 0.1) // 123.5
 */
export function roundToScale(massG: number, readabilityG: number): number {
  const steps = Math.sign(massG) * Math.round(Math.abs(massG) / readabilityG);
  return Number((steps * readabilityG).toFixed(6));
}
