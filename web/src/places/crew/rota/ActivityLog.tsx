import type { Crew } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useHouse } from '../../../state/board/useBoard';
import { useAuditQuery } from '../crewApi';
import styles from './Crew.module.css';

/** An address without the ids in it. */
const plainPath = (path: string): string =>
  path
    .split('/')
    .filter((part) => part !== '' && !/^[0-9a-f]{8}-[0-9a-f-]{27}$/.test(part))
    .join(' · ');

/** Lines that are shown. */
const SHOWN = 20;

/** What was written lately, and by whom. */
export function ActivityLog({ crew: { people } }: { readonly crew: Crew }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { data } = useAuditQuery(useHouse(), { refetchOnMountOrArgChange: true });
  const nameOf = (id: string | null) =>
    people.find((person) => person.id === id)?.name ?? t('crew.activity.somebody');
  return (
    <section>
      <h2>{t('crew.activity.title')}</h2>
      {data?.length === 0 && <p className="quiet">{t('crew.activity.none')}</p>}
      <ul className={styles['activity']}>
        {(data ?? []).slice(0, SHOWN).map(({ id, at, personId, permission, path }) => (
          <li key={id}>
            <span className="quiet">{f.moment(Date.parse(at))}</span> {nameOf(personId)}:{' '}
            {t(`crew.activity.${permission}`)}{' '}
            {permission !== 'sign-in' && <code>{plainPath(path)}</code>}
          </li>
        ))}
      </ul>
    </section>
  );
}
