import { STANDARD_CURRENCY, STANDARD_DISPLAY, type DisplayPreferences } from '@calm/contract';
import { makeFormats, type FormatPreferences } from '@calm/domain';
import i18next from 'i18next';
import { needWords } from '../words';
import { WORD_AREAS } from '../words/catalogue';

/*
 * English as it is spoken on the page, for tests of what is said.
 */

await needWords(...WORD_AREAS);

export const t = i18next.t;

/** A way to read: the standard one, in UTC, but for what a test says. */
export const reading = (
  preferences: Partial<FormatPreferences & DisplayPreferences> = {},
): FormatPreferences => ({
  ...STANDARD_DISPLAY,
  currency: STANDARD_CURRENCY,
  timeZone: 'UTC',
  ...preferences,
});

export const formats = makeFormats(reading());
