/** Everything that somebody chooses about how they read, with what there is to choose from. */
export const DISPLAY_CHOICES = {
  /** A region changes only how dates and numbers are written. */
  language: ['en', 'en-US', 'it', 'es', 'ar'],
  mass: ['metric', 'us'],
  temp: ['celsius', 'fahrenheit'],
  clock: ['24h', '12h'],
  /** `language` is what the language itself writes. */
  decimal: ['language', 'point', 'comma'],
  /** The first day of a week. */
  week: ['monday', 'sunday', 'saturday'],
} as const;

type Choices = typeof DISPLAY_CHOICES;

/** How one person reads words, numbers and times. What is kept is always g, °C and UTC. */
export type DisplayPreferences = { readonly [Key in keyof Choices]: Choices[Key][number] };

/** What the application is read in. */
export type Language = DisplayPreferences['language'];

/** How a house reads that has not said. */
export const STANDARD_DISPLAY: DisplayPreferences = {
  language: 'en',
  mass: 'metric',
  temp: 'celsius',
  clock: '24h',
  decimal: 'language',
  week: 'monday',
};

/** The currency of a house that has not said, ISO 4217. */
export const STANDARD_CURRENCY = 'EUR';
