import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';

/** Nothing for half a second, then progress. */
export function Waiting() {
  const { t } = useTranslation();
  const [isLong, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), 500);
    return () => clearTimeout(timer);
  }, []);
  return isLong ? <LinearProgress aria-label={t('shell.waiting')} /> : null;
}
