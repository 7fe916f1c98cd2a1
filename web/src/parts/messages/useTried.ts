import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { problemWords } from './problemWords';

/** Work that may be refused: `tried` does it, `wrong` says why it could not be done; null is nothing. */
export function useTried() {
  const { t } = useTranslation();
  const [wrong, setWrong] = useState<string | null>(null);
  const tried = async (work: () => Promise<void>): Promise<void> => {
    setWrong(null);
    try {
      await work();
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  return { wrong, tried };
}
