import {
  STANDARD_ALARM_CALLS,
  type AlarmCalls as AlarmCallsAnswer,
  type HouseBook,
  type PersonReached,
  type QuietHours,
} from '@calm/contract';
import { untoldHours } from '@calm/domain';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { SentList } from '../../../parts/messages/SentList';
import { useFormats } from '../../../parts/format/useFormats';
import styles from '../House.module.css';
import { AlarmOrderDialog } from './AlarmOrderDialog';
import { useAlarmCallsQuery } from './alarmCallsApi';
import { Webhooks } from './Webhooks';

/** Whom the house tells of alarms while nobody looks: in which order, by what, and in which hours nobody. */
export function AlarmCalls({
  book,
  mayChange,
}: {
  readonly book: HouseBook;
  readonly mayChange: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { house } = book;
  const { data: calls } = useAlarmCallsQuery(house.slug);
  const [isOpen, setOpen] = useState(false);
  const rules = house.settings.alarmCalls ?? STANDARD_ALARM_CALLS;
  const nameOf = (personId: string | null) =>
    book.people.find(({ id }) => id === personId)?.name ?? '';
  const told = rules.order.filter((id) => nameOf(id) !== '');
  const title = t('house.alarms.title');
  return (
    <section className={styles['section']} aria-label={title}>
      <div className={styles['head']}>
        <h2>{title}</h2>
        {mayChange && (
          <Button
            size="small"
            aria-haspopup="dialog"
            aria-label={t('house.changeOf', { name: title })}
            onClick={() => setOpen(true)}
          >
            {t('house.change')}
          </Button>
        )}
      </div>
      <p className="quiet small">
        {t('house.alarms.why', { after: f.duration(rules.nextAfterMin) })}
      </p>
      {told.length === 0 && <p className={styles['warning']}>{t('house.alarms.nobody')}</p>}
      {calls && told.length > 0 && (
        <>
          <ol className={styles['order']}>
            {told.map((id) => (
              <li key={id}>
                <b>{nameOf(id)}</b>{' '}
                <span className="quiet">
                  <Ways reached={calls.people.find(({ personId }) => personId === id) ?? null} />
                </span>
              </li>
            ))}
          </ol>
          <Untold hours={untold(calls, told)} />
        </>
      )}
      {calls && <SentList notifications={calls.notifications} whose={nameOf} />}
      <Webhooks house={house.slug} webhooks={calls?.webhooks ?? []} />
      {isOpen && <AlarmOrderDialog book={book} onClose={() => setOpen(false)} />}
    </section>
  );
}

/** By what somebody is told, and when not; null cannot be told yet. */
function Ways({ reached }: { readonly reached: PersonReached | null }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (!reached) return t('house.alarms.noWay');
  const { hasMail, devices, quiet } = reached;
  return f.list([
    ...(hasMail ? [t('house.alarms.mail')] : []),
    ...(devices > 0 ? [t('house.alarms.devices', { count: devices })] : []),
    ...(quiet
      ? [
          t('house.alarms.quiet', {
            from: f.timeOfDay(quiet.fromMin),
            until: f.timeOfDay(quiet.untilMin),
          }),
        ]
      : []),
  ]);
}

/** Hours in which nobody would be told; null where nobody can be told at all. */
function untold({ people }: AlarmCallsAnswer, told: readonly string[]): QuietHours[] | null {
  const reached = people.filter(({ personId }) => told.includes(personId));
  return reached.length === 0 ? null : untoldHours(reached.map(({ quiet }) => quiet));
}

function Untold({ hours }: { readonly hours: readonly QuietHours[] | null }) {
  const { t } = useTranslation();
  const f = useFormats();
  if (hours === null)
    return (
      <p role="status" className={styles['warning']}>
        {t('house.alarms.noneReached')}
      </p>
    );
  if (hours.length === 0) return null;
  const spans = hours.map(({ fromMin, untilMin }) =>
    t('house.work.hours', { from: f.timeOfDay(fromMin), until: f.timeOfDay(untilMin) }),
  );
  return (
    <p role="status" className={styles['warning']}>
      {t('house.alarms.untold', { hours: f.list(spans) })}
    </p>
  );
}
