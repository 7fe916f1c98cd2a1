import type { Crew } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useBookQuery } from '../../../state/api/api';
import { dateAt } from '../../../state/time/localDate';
import { useHouse } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import type { Open } from '../open';
import styles from './Crew.module.css';

/** Days ahead on which somebody is away, or comes at other hours. */
export function Days({
  crew: { people, exceptions },
  onOpen,
}: {
  readonly crew: Crew;
  readonly onOpen: ((open: Open) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const timeZone = useBookQuery(useHouse()).data?.house.timeZone ?? 'UTC';
  const today = dateAt(nowMs, timeZone);
  const ahead = exceptions.filter(({ date }) => date >= today);
  const nameOf = (id: string) => people.find((person) => person.id === id)?.name ?? '';
  return (
    <section>
      <h2>{t('crew.day.title')}</h2>
      {ahead.length === 0 && <p className="quiet">{t('crew.day.none')}</p>}
      <ul className={styles['days']}>
        {ahead.map((day) => {
          const hours =
            day.hours && `${f.timeOfDay(day.hours.startMin)}–${f.timeOfDay(day.hours.endMin)}`;
          const isAway = day.isAway || hours === null;
          const said = (
            <>
              <b>{f.date(day.date)}</b> {nameOf(day.personId)}: {isAway ? t('crew.day.away') : ''}{' '}
              {hours}
              {day.note && <span className="quiet"> {day.note}</span>}
            </>
          );
          return (
            <li key={day.id}>
              {onOpen ? (
                <button
                  type="button"
                  aria-haspopup="dialog"
                  onClick={() => onOpen({ kind: 'day', of: day })}
                >
                  {said}
                </button>
              ) : (
                said
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
