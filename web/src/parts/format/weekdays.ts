/** A Monday to a Sunday, for saying the weekdays' names; any week would do. */
export const WEEKDAYS: readonly string[] = [5, 6, 7, 8, 9, 10, 11].map(
  (day) => `2026-01-${String(day).padStart(2, '0')}`,
);
