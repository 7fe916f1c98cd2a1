/*
 * How long things are in one another: the engine counts in hours, rooms in seconds, plans in minutes, clocks in ms.
 */

export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
export const DAY_MS = 86_400_000;
export const HOUR_S = 3600;
export const DAY_S = 86_400;
export const DAY_MIN = 1440;
