import { useTranslation } from 'react-i18next';
import styles from './FromTo.module.css';
import { onOrAfter } from './clockTime';
import { TimeOfDay } from './TimeOfDay';

/** Minutes from midnight of the day it begins on; past 1440 is the next morning. */
interface Hours {
  readonly startMin: number;
  readonly endMin: number;
}

/** From when to when; an end on or before its start is the next morning's. */
export function FromTo({
  hours: { startMin, endMin },
  nextDay,
  onChange,
}: {
  readonly hours: Hours;
  /** Said when it ends the next morning. */
  readonly nextDay: string;
  readonly onChange: (hours: Hours) => void;
}) {
  const { t } = useTranslation();
  return (
    <div className={styles['hours']}>
      <TimeOfDay
        isRequired
        label={t('hours.from')}
        minute={startMin}
        onChange={(minute) => {
          const start = minute ?? startMin;
          onChange({ startMin: start, endMin: onOrAfter(endMin % 1440, start) });
        }}
      />
      <TimeOfDay
        isRequired
        label={t('hours.to')}
        minute={endMin}
        onChange={(minute) =>
          onChange({ startMin, endMin: minute === null ? endMin : onOrAfter(minute, startMin) })
        }
      />
      {endMin > 1440 && <p className="quiet small">{nextDay}</p>}
    </div>
  );
}
