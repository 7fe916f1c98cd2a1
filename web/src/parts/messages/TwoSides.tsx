import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import styles from './TwoSides.module.css';

/** Two people changed the same thing: both sides, and the choice. */
export function TwoSides({
  what,
  theirs,
  mine,
  onKeepTheirs,
  onUseMine,
}: {
  readonly what: string;
  readonly theirs: string;
  readonly mine: string;
  readonly onKeepTheirs: () => void;
  readonly onUseMine: () => void;
}) {
  const { t } = useTranslation();
  return (
    <div className={styles['sides']} role="alert">
      <p>{t('stale.says', { what, theirs, mine })}</p>
      <div className={styles['choice']}>
        <Button size="small" variant="outlined" onClick={onKeepTheirs}>
          {t('stale.keep', { theirs })}
        </Button>
        <Button size="small" variant="contained" onClick={onUseMine}>
          {t('stale.use', { mine })}
        </Button>
      </div>
    </div>
  );
}
