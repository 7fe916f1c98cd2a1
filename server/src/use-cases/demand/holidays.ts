import type { HolidaysAnswer } from '@calm/contract';

/** Whose holidays are asked for. */
export interface HolidaysQuestion {
  /** ISO 3166. */
  readonly country: string;
  /** A part of it, by the code that an answer before named. */
  readonly region?: string;
  readonly year: number;
  readonly language: string;
}

/**
 * The public holidays of a country, in a language where they are known in it; none of a country that is not known. They
 * are a proposal: which of them a house keeps is its own business.
 */
export async function holidaysOf({
  country,
  region,
  year,
  language,
}: HolidaysQuestion): Promise<HolidaysAnswer> {
  // Heavy, and seldom wanted.
  const { default: Holidays } = await import('date-holidays');
  const regions = Object.entries(new Holidays().getStates(country, language) ?? {})
    .map(([code, name]) => ({ code, name }))
    .toSorted((a, b) => a.name.localeCompare(b.name, language));
  const isKnown = region !== undefined && regions.some(({ code }) => code === region);
  const calendar = isKnown ? new Holidays(country, region) : new Holidays(country);
  const days = (calendar.getHolidays(year, language) || [])
    .filter(({ type }) => type === 'public')
    .map(({ date, name }) => ({ date: date.slice(0, 10), name }));
  return { days, regions };
}
