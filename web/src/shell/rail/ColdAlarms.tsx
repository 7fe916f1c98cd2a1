import { STANDARD_COLD_RULES, type ColdAlarm } from '@calm/contract';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useLocation } from 'react-router';
import { useBookQuery } from '../../state/api/api';
import { useHouse } from '../../state/board/useBoard';
import { useCold } from '../../state/board/useCold';
import { useCursor } from '../../state/time/useCursor';
import { useDraft } from '../../state/drafts/useDraft';
import { minuteAt } from '../../state/time/localDate';
import { useAlarmMessage } from '../../state/board/alarmMessages';
import { isBetween } from './quietHours';
import { ring } from './ring';
import styles from './ColdAlarms.module.css';

/** What is or was wrong with the cold and nobody has taken care of: told on every page; what goes on rings once. */
export function ColdAlarms() {
  const { t } = useTranslation();
  const house = useHouse();
  const { pathname } = useLocation();
  const { data: book } = useBookQuery(house);
  const { cold } = useCold(house);
  const open = (cold?.alarms ?? []).filter(({ acknowledged }) => acknowledged === null);
  useRinging(open.filter(({ untilAt }) => untilAt === null));
  if (!book || !cold || open.length === 0 || pathname.includes('/walk-in')) return null;
  return (
    <ul className={styles['alarms']}>
      {open.map((alarm) => (
        <li key={alarm.id} role={alarm.untilAt === null ? 'alert' : 'status'}>
          <Words alarm={alarm} book={book} cold={cold} />
          <Link to={`/${house}/walk-in/alarms/${alarm.id}`}>{t('alarm.look')}</Link>
        </li>
      ))}
    </ul>
  );
}

function Words({
  alarm,
  book,
  cold,
}: {
  readonly alarm: ColdAlarm;
  readonly book: Parameters<typeof useAlarmMessage>[0];
  readonly cold: Parameters<typeof useAlarmMessage>[1];
}) {
  const say = useAlarmMessage(book, cold);
  return <b>{say(alarm)}</b>;
}

/** Each alarm rings once on a device, and not in the house's quiet hours: nobody is nagged. */
function useRinging(open: readonly ColdAlarm[]): void {
  const house = useHouse();
  const { data: book } = useBookQuery(house);
  const { nowMs } = useCursor();
  const { draft: rung, keep } = useDraft<readonly string[]>(`rung-alarms/${house}`);
  const rules = book?.house.settings.cold ?? STANDARD_COLD_RULES;
  const isQuiet =
    !book ||
    isBetween(minuteAt(nowMs, book.house.timeZone), rules.quietFromMin, rules.quietUntilMin);
  const toRing = open.filter(({ id }) => !(rung ?? []).includes(id)).map(({ id }) => id);
  const due = isQuiet ? '' : toRing.join();
  useEffect(() => {
    if (due === '') return;
    ring();
    keep([...(rung ?? []), ...due.split(',')].slice(-KEPT));
  }, [due, rung, keep]);
}

/** Alarms of which it is remembered that they have rung. */
const KEPT = 50;
