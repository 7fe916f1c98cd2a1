import { STANDARD_CURRENCY, STANDARD_DISPLAY, type Language } from '@calm/contract';
import { makeFormats, wordFormatter, type Formats } from '@calm/domain';
import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { loadWords, wordLanguageOf, type WordArea, type WordLanguage } from './catalogue';

/** What sentences may name without being told: a full bag, and what rates of the engine are said by. */
const ALWAYS = {
  /** Two people or a trolley, kg. */
  heavyBagKg: 25,
  gasAtC: 25,
  ripeAtC: 20,
} as const;

/** How numbers stand in sentences now; the page's own formats, which its sentences share. */
let spoken: Formats = makeFormats({
  ...STANDARD_DISPLAY,
  currency: STANDARD_CURRENCY,
  timeZone: 'UTC',
});

/** `3 trays` in the form that the language wants for the number. */
const counted = (noun: string, count: number): string => i18next.t(`noun.${noun}`, { count });

void i18next
  .use(initReactI18next)
  .use(wordFormatter(() => spoken, counted))
  .init({
    lng: 'en',
    resources: {},
    fallbackLng: false,
    load: 'currentOnly',
    interpolation: {
      escapeValue: false,
      alwaysFormat: true,
      defaultVariables: ALWAYS,
    },
    react: { useSuspense: false, bindI18n: 'languageChanged formatsChanged' },
    initAsync: false,
  });

/** Writes numbers in sentences like numbers beside them from now on. */
export function speakWith(formats: Formats): Formats {
  spoken = formats;
  return formats;
}

/** Has every sentence said again, once the formats are others. */
export const sayAgain = (): void => void i18next.emit('formatsChanged');

const wanted = new Set<WordArea>(['base']);
const loads = new Map<string, Promise<void>>();

function load(language: WordLanguage, area: WordArea): Promise<void> {
  const key = `${language}/${area}`;
  const before = loads.get(key);
  if (before) return before;
  const now = loadWords(language, area).then(
    (words) => void i18next.addResourceBundle(language, 'translation', words, true, true),
  );
  loads.set(key, now);
  // What could not be read is asked for again next time.
  now.catch(() => loads.delete(key));
  return now;
}

/** Resolves once these areas can be said in the language of the page; later languages bring them too. */
export async function needWords(...areas: readonly WordArea[]): Promise<void> {
  for (const area of areas) wanted.add(area);
  await Promise.all(areas.map((area) => load(i18next.language as WordLanguage, area)));
}

/** Goes over to a language, once everything that was said so far can be said in it. */
export async function setLanguage(language: Language): Promise<void> {
  const to = wordLanguageOf(language);
  // A page may ask for more meanwhile.
  for (let said = 0; said < wanted.size;) {
    said = wanted.size;
    await Promise.all([...wanted].map((area) => load(to, area)));
  }
  if (i18next.language !== to) await i18next.changeLanguage(to);
}
