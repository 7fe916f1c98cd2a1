import type { House } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../parts/format/useFormats';
import styles from './OutboxBar.module.css';

/** The house is to be deleted: everybody in it is told, as long as it can be kept. */
export function EraseBar({ house: { slug, name, eraseOn } }: { readonly house: House }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (eraseOn === null) return null;
  return (
    <div className={styles['bar']} role="status">
      {t('shell.eraseOn', { name, date: f.date(eraseOn) })}{' '}
      <Link to={`/${slug}/house`}>{t('stops.house')}</Link>
    </div>
  );
}
