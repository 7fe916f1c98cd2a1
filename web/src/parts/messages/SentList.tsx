import type { Notification } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import styles from './SentList.module.css';

/** What was told of late, and whether it came through. */
export function SentList({
  notifications,
  whose,
}: {
  readonly notifications: readonly Notification[];
  /** To whom; '' for a program, and where it is clear. */
  readonly whose: (personId: string | null) => string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  if (notifications.length === 0) return null;
  const stateOf = ({ sentAt, fault, isGivenUp }: Notification) => {
    if (sentAt !== null) return t('sent.sent');
    // What the other side says is left as it is.
    const why = t(`sent.fault.${fault ?? 'unknown'}`, { defaultValue: fault ?? '' });
    if (isGivenUp) return t('sent.givenUp', { fault: why });
    return fault === null ? t('sent.waiting') : t('sent.again', { fault: why });
  };
  return (
    <ul className={styles['sent']} aria-label={t('sent.title')}>
      {notifications.map((each) => (
        <li key={each.id} data-failed={each.isGivenUp}>
          <span className="quiet">{f.moment(Date.parse(each.at))}</span>{' '}
          {f.joined(
            t(`sent.event.${each.event}`),
            ...[whose(each.personId)].filter((name) => name !== ''),
            t(`sent.channel.${each.channel}`),
          )}
          : {stateOf(each)}
        </li>
      ))}
    </ul>
  );
}
