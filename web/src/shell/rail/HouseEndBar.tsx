import type { House } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../parts/format/useFormats';
import styles from './OutboxBar.module.css';

/** The house is to be deleted, or is put aside: everybody in it is told, as long as that can be undone. */
export function HouseEndBar({
  house: { slug, name, eraseOn, asideOn },
}: {
  readonly house: House;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const told = [
    ...(asideOn === null ? [] : [t('shell.asideOn', { name, date: f.date(asideOn) })]),
    ...(eraseOn === null ? [] : [t('shell.eraseOn', { name, date: f.date(eraseOn) })]),
  ];
  if (told.length === 0) return null;
  return (
    <div className={styles['bar']} role="status">
      {told.join(' ')} <Link to={`/${slug}/house`}>{t('stops.house')}</Link>
    </div>
  );
}
