/** Degrees Celsius to degrees Fahrenheit: F = 9/5 · C + 32. */
export const cToF = (tempC: number): number => (tempC * 9) / 5 + 32;
/** Degrees Fahrenheit to degrees Celsius: C = 5/9 · (F − 32). */
export const fToC = (tempF: number): number => ((tempF - 32) * 5) / 9;
/** A difference of temperatures, Celsius to Fahrenheit (no offset). */
export const deltaCToF = (deltaC: number): number => (deltaC * 9) / 5;
