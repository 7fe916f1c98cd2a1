import { STANDARD_CURRENCY, STANDARD_DISPLAY } from '@calm/contract';
import { makeFormats, wordFormatter } from '@calm/domain';
import { createInstance, type i18n } from 'i18next';

const formats = makeFormats({ ...STANDARD_DISPLAY, currency: STANDARD_CURRENCY, timeZone: 'UTC' });

/** English sentences with °C, g and kg, as documents have them. */
export async function makeCatalogue(words: object): Promise<i18n> {
  const catalogue = createInstance().use(wordFormatter(() => formats));
  await catalogue.init({
    lng: 'en',
    resources: { en: { translation: words } },
    interpolation: { escapeValue: false, alwaysFormat: true },
  });
  return catalogue;
}
