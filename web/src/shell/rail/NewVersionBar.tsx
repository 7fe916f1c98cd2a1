import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useAppSelector } from '../../state/store';
import styles from './OutboxBar.module.css';

/** The house serves a newer version than this page: one press has it; what was typed and done here stays. */
export function NewVersionBar() {
  const { t } = useTranslation();
  const isOutdated = useAppSelector(({ connection }) => connection.isOutdated);
  if (!isOutdated) return null;
  return (
    <div className={styles['bar']} role="status">
      {t('shell.newVersion')}{' '}
      <Button size="small" variant="outlined" onClick={() => window.location.reload()}>
        {t('shell.newVersionLoad')}
      </Button>
    </div>
  );
}
