import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { snappedToNow } from '../../state/time/cursor';
import { useAppDispatch } from '../../state/store';
import { useCursor } from '../../state/time/useCursor';
import styles from './NotNowBanner.module.css';

/** Says loudly that the page does not show the present. */
export function NotNowBanner() {
  const { t } = useTranslation();
  const f = useFormats();
  const dispatch = useAppDispatch();
  const { atMs, nowMs, isNow } = useCursor();
  if (isNow) return null;
  const minutes = Math.abs(atMs - nowMs) / 60_000;
  const words = { at: f.moment(atMs), by: f.duration(minutes) };
  return (
    <div className={styles['banner']} role="status">
      <span>{atMs > nowMs ? t('shell.showsAhead', words) : t('shell.showsBack', words)}</span>
      <Button color="inherit" variant="outlined" onClick={() => dispatch(snappedToNow())}>
        {t('shell.backToNow')}
      </Button>
    </div>
  );
}
