import shared from '@calm/contract/words/en.json';
import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import demand from './en/demand.json';
import mix from './en/mix.json';
import places from './en/places.json';
import plan from './en/plan.json';
import shell from './en/shell.json';
import tonight from './en/tonight.json';
import work from './en/work.json';

/** All English wording. A kitchen's other languages follow as catalogues of the same shape. */
export const english = {
  ...shared,
  ...shell,
  ...work,
  ...places,
  tonight,
  demand,
  plan,
  mix,
};

void i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: english } },
  interpolation: { escapeValue: false },
  initAsync: false,
});
