import { createInstance } from 'i18next';
import { makeFormats } from '../parts/format/format';
import { english } from '../words/english';

/*
 * English as it is spoken on the page, for tests of what is said.
 */

const catalogue = createInstance();
await catalogue.init({
  lng: 'en',
  resources: { en: { translation: english } },
  interpolation: { escapeValue: false },
});

export const { t } = catalogue;
export const formats = makeFormats({ locale: 'en-GB', timeZone: 'UTC', units: 'metric' });
