/** Ends of the tint, °C: a warm bench and the fridge. */
export const WARM_C = 24;
const COLD_C = 4;

/** The colour of a temperature, from cold slate to warm oat. @param tempC °C */
export function tintOf(tempC: number): string {
  const warmth = Math.min(1, Math.max(0, (tempC - COLD_C) / (WARM_C - COLD_C)));
  return `color-mix(in oklab, var(--oat) ${Math.round(warmth * 100)}%, var(--cold))`;
}
