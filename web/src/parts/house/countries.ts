import type { DisplayPreferences } from '@calm/contract';
import toCurrency from 'country-to-currency';

/** Where ounces, pounds and Fahrenheit are what kitchens work in. */
const US_CUSTOMARY = new Set(['US', 'PR', 'GU', 'VI', 'AS', 'MP', 'LR', 'FM', 'MH', 'PW']);
/** Where the clock has twelve hours. */
const TWELVE_HOURS = new Set([
  'US',
  'PR',
  'CA',
  'AU',
  'NZ',
  'IN',
  'PK',
  'BD',
  'PH',
  'EG',
  'SA',
  'JO',
  'MY',
  'MX',
  'CO',
]);
const LANGUAGES: Readonly<Record<string, DisplayPreferences['language']>> = {
  it: 'it',
  es: 'es',
  ar: 'ar',
};

/** Every country by its code (ISO 3166), with its name in a language, in that language's order. */
export function countries(language: string): { readonly code: string; readonly name: string }[] {
  const names = new Intl.DisplayNames([language], { type: 'region' });
  return Object.keys(toCurrency)
    .map((code) => ({ code, name: names.of(code) ?? code }))
    .toSorted((a, b) => a.name.localeCompare(b.name, language));
}

/** Every currency that some country has (ISO 4217). */
export const currencies = (): string[] => [...new Set<string>(Object.values(toCurrency))].sort();

/** Every time zone that this browser knows. */
export const zones = (): string[] => Intl.supportedValuesOf('timeZone');

/** What a country usually means for a house in it; each can be changed. */
export interface CountryHabits {
  /** Null where this application knows no currency of it. */
  readonly currency: string | null;
  /** The likeliest first; none where the browser does not say. */
  readonly zones: readonly string[];
  readonly display: DisplayPreferences;
}

/** What a house in a country usually reads and counts in. @param code ISO 3166, two letters */
export function habitsOf(code: string): CountryHabits {
  const locale = new Intl.Locale('und', { region: code });
  const language = LANGUAGES[locale.maximize().language] ?? 'en';
  const isUs = US_CUSTOMARY.has(code);
  const all: Readonly<Record<string, string | undefined>> = toCurrency;
  return {
    currency: all[code] ?? null,
    zones: zonesOf(locale),
    display: {
      language: isUs ? 'en-US' : language,
      mass: isUs ? 'us' : 'metric',
      temp: isUs ? 'fahrenheit' : 'celsius',
      clock: TWELVE_HOURS.has(code) ? '12h' : '24h',
      decimal: 'language',
      week: weekOf(locale),
    },
  };
}

/** Browsers name it in two ways, or in none; 1 is Monday. */
function weekOf(locale: Intl.Locale): DisplayPreferences['week'] {
  const told = locale as Intl.Locale & {
    readonly weekInfo?: { readonly firstDay: number };
    readonly getWeekInfo?: () => { readonly firstDay: number };
  };
  const { firstDay = 1 } = told.getWeekInfo?.() ?? told.weekInfo ?? {};
  if (firstDay === 7) return 'sunday';
  return firstDay === 6 ? 'saturday' : 'monday';
}

/** Browsers name it in two ways. */
function zonesOf(locale: Intl.Locale): readonly string[] {
  const told = locale as Intl.Locale & {
    readonly timeZones?: string[];
    readonly getTimeZones?: () => string[] | undefined;
  };
  return told.getTimeZones?.() ?? told.timeZones ?? [];
}

/** The country that this browser's zone and language point to; null where they do not say. */
export function likelyCountry(): string | null {
  const { timeZone } = new Intl.DateTimeFormat().resolvedOptions();
  const spoken = new Intl.Locale(navigator.language).maximize().region ?? null;
  const isThere = spoken !== null && habitsOf(spoken).zones.includes(timeZone);
  if (isThere) return spoken;
  return Object.keys(toCurrency).find((code) => habitsOf(code).zones[0] === timeZone) ?? spoken;
}

/** A country in which clocks go by a zone; empty where the browser does not say. */
export const countryOfZone = (zone: string): string =>
  Object.keys(toCurrency)
    .toSorted()
    .find((code) => zonesOf(new Intl.Locale('und', { region: code })).includes(zone)) ?? '';
