/** A date of that weekday, 1 is Monday, for saying its name; any week would do. */
export const dateOf = (weekday: number): string =>
  `2026-01-${String(weekday + 4).padStart(2, '0')}`;
