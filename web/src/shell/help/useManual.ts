import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { needWords } from '../../words';
import { WORD_AREAS } from '../../words/catalogue';
import { manualPages, type ManualPage } from './manual';

/** The manual in the language of the page, once it and the words of every page have come; until then nothing. */
export function useManual(): readonly ManualPage[] {
  const { language } = useTranslation().i18n;
  const [pages, setPages] = useState<readonly ManualPage[]>([]);
  useEffect(() => {
    let isCurrent = true;
    void Promise.all([manualPages(language), needWords(...WORD_AREAS)]).then(
      ([read]) => isCurrent && setPages(read),
    );
    return () => {
      isCurrent = false;
    };
  }, [language]);
  return pages;
}
