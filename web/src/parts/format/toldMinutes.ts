/** Minutes as they are told: an hour and more to five minutes. */
export function toldMinutes(minutes: number): number {
  const step = minutes < 60 ? 1 : 5;
  return step * Math.round(minutes / step);
}
