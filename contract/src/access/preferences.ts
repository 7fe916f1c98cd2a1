/** What the application is read in. A region changes only how dates and numbers are written. */
export const LANGUAGES = ['en', 'en-US', 'it', 'es', 'ar'] as const;
export type Language = (typeof LANGUAGES)[number];

export const MASS_UNITS = ['metric', 'us'] as const;
export const TEMP_UNITS = ['celsius', 'fahrenheit'] as const;
export const CLOCKS = ['24h', '12h'] as const;
/** `language` is what the language itself writes. */
export const DECIMAL_MARKS = ['language', 'point', 'comma'] as const;

/** How one person reads words, numbers and times. What is kept is always g, °C and UTC. */
export interface DisplayPreferences {
  readonly language: Language;
  readonly mass: (typeof MASS_UNITS)[number];
  readonly temp: (typeof TEMP_UNITS)[number];
  readonly clock: (typeof CLOCKS)[number];
  readonly decimal: (typeof DECIMAL_MARKS)[number];
}

/** How a house reads that has not said. */
export const STANDARD_DISPLAY: DisplayPreferences = {
  language: 'en',
  mass: 'metric',
  temp: 'celsius',
  clock: '24h',
  decimal: 'language',
};

/** The currency of a house that has not said, ISO 4217. */
export const STANDARD_CURRENCY = 'EUR';
