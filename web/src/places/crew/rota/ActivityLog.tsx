import { personOf } from '@calm/domain';
import type { AuditEntry, Crew } from '@calm/contract';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { useHouse } from '../../../state/board/useBoard';
import { useAuditInfiniteQuery } from '../crewApi';
import { AuditChanges } from './AuditChanges';
import styles from './Crew.module.css';

/** An address without the ids in it. */
const plainPath = (path: string): string =>
  path
    .split('/')
    .filter((part) => part !== '' && !/^[0-9a-f]{8}-[0-9a-f-]{27}$/.test(part))
    .join(' · ');

/** Lines more at each press: what was read from the house at once is more than anybody looks through. */
const SHOWN = 20;
const ANY = '';
const KINDS = ['see', 'mark', 'make', 'sell', 'plan', 'book', 'crew', 'sign-in'] as const;

/** What was written, and by whom, newest first; older lines come when they are asked for. */
export function ActivityLog({ crew }: { readonly crew: Crew }) {
  const { t } = useTranslation();
  const f = useFormats();
  const [personId, setPerson] = useState(ANY);
  const [kind, setKind] = useState<(typeof KINDS)[number] | typeof ANY>(ANY);
  const [shown, setShown] = useState(SHOWN);
  const { data, hasNextPage, isFetching, fetchNextPage } = useAuditInfiniteQuery(useHouse(), {
    refetchOnMountOrArgChange: true,
  });
  const entries = useMemo(
    () =>
      (data?.pages.flat() ?? []).filter(
        (entry) =>
          (personId === ANY || entry.personId === personId) &&
          (kind === ANY || entry.permission === kind),
      ),
    [data, personId, kind],
  );
  const nameOf = (id: string | null) => personOf(crew, id)?.name ?? t('crew.activity.somebody');
  const more = () => {
    setShown(shown + SHOWN);
    if (entries.length < shown + SHOWN && hasNextPage) void fetchNextPage();
  };
  return (
    <section>
      <h2>{t('crew.activity.title')}</h2>
      <div className={styles['filter']} role="search">
        <Choice
          label={t('crew.day.who')}
          value={personId}
          values={[ANY, ...crew.people.map(({ id }) => id)]}
          say={(id) => (id === ANY ? t('crew.activity.anybody') : nameOf(id))}
          width={180}
          onChange={setPerson}
        />
        <Choice
          label={t('crew.activity.what')}
          value={kind}
          values={[ANY, ...KINDS]}
          say={(each) => (each === ANY ? t('crew.activity.anything') : t(`crew.activity.${each}`))}
          width={220}
          onChange={setKind}
        />
      </div>
      {data && entries.length === 0 && <p className="quiet">{t('crew.activity.none')}</p>}
      <ul className={styles['activity']}>
        {entries.slice(0, shown).map((entry) => (
          <Line key={entry.id} entry={entry} at={f.moment(Date.parse(entry.at))} nameOf={nameOf} />
        ))}
      </ul>
      {(entries.length > shown || hasNextPage) && (
        <Button variant="outlined" disabled={isFetching} onClick={more}>
          {t('crew.activity.more')}
        </Button>
      )}
    </section>
  );
}

function Line({
  entry: { personId, machineId, permission, path, changes },
  at,
  nameOf,
}: {
  readonly entry: AuditEntry;
  readonly at: string;
  readonly nameOf: (id: string | null) => string;
}) {
  const { t } = useTranslation();
  return (
    <li>
      <span className="quiet">{at}</span>{' '}
      {machineId ? t('crew.activity.machine') : nameOf(personId)}:{' '}
      {t(`crew.activity.${permission}`)}{' '}
      {permission !== 'sign-in' && <code>{plainPath(path)}</code>}
      {changes.length > 0 && <AuditChanges changes={changes} />}
    </li>
  );
}
