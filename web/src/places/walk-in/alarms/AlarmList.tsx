import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useAlarmMessage } from '../../../state/board/alarmMessages';
import styles from '../racks/WalkIn.module.css';
import type { WalkInNow } from '../useWalkIn';

/** What is wrong with the cold, or was of late, each with a way to what it means. */
export function AlarmList({ now }: { readonly now: WalkInNow }) {
  const { t } = useTranslation();
  const say = useAlarmMessage(now.board.book, now.cold);
  const shown = now.cold.alarms.filter(
    ({ untilAt, acknowledged }) => untilAt === null || acknowledged === null,
  );
  if (shown.length === 0) return null;
  return (
    <ul className={styles['alarms']}>
      {shown.map((alarm) => (
        <li key={alarm.id} data-open={alarm.untilAt === null}>
          <span>
            <b>{say(alarm)}</b>{' '}
            {alarm.acknowledged === null && <span>{t('walkIn.alarm.nobody')}</span>}
          </span>
          <Link to={`/${now.board.house}/walk-in/alarms/${alarm.id}`}>{t('alarm.look')}</Link>
        </li>
      ))}
    </ul>
  );
}
