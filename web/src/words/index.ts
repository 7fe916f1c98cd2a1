import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { english } from './english';

void i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: english } },
  interpolation: { escapeValue: false },
  initAsync: false,
});
