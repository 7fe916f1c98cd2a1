import type { Crew } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import type { Open } from '../open';
import { WideTable } from '../../../parts/layout/WideTable';
import styles from './Crew.module.css';
import { dateOf } from '../../../parts/format/weekdays';

/** The week as it comes: people down, days across, each shift where it belongs. */
export function WeekOfShifts({
  crew: { people, shifts },
  onOpen,
}: {
  readonly crew: Crew;
  /** Null only shows. */
  readonly onOpen: ((open: Open) => void) | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const dayName = (date: string) => f.weekday(Date.parse(`${date}T12:00:00Z`));
  return (
    <WideTable label={t('crew.week')}>
      <table className={styles['week']}>
        <thead>
          <tr>
            <td />
            {f.weekdays.map((weekday) => (
              <th key={weekday} scope="col">
                {dayName(dateOf(weekday))}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <tr key={person.id}>
              <th scope="row">
                <b>{person.initials}</b> {person.name}
              </th>
              {f.weekdays.map((weekday) => {
                const date = dateOf(weekday);
                const own = shifts.filter(
                  (shift) => shift.personId === person.id && shift.weekday === weekday,
                );
                return (
                  <td key={date}>
                    {own.map((shift) => {
                      const hours = `${f.timeOfDay(shift.startMin)}–${f.timeOfDay(shift.endMin)}`;
                      return onOpen ? (
                        <button
                          key={shift.id}
                          type="button"
                          aria-label={f.joined(person.name, `${dayName(date)} ${hours}`)}
                          aria-haspopup="dialog"
                          onClick={() =>
                            onOpen({ kind: 'shift', of: shift, personId: person.id, weekday })
                          }
                        >
                          {hours}
                        </button>
                      ) : (
                        <span key={shift.id}>{hours}</span>
                      );
                    })}
                    {onOpen && own.length === 0 && (
                      <button
                        type="button"
                        className={`${styles['free']} no-print`}
                        aria-label={t('crew.shift.addFor', {
                          name: person.name,
                          day: dayName(date),
                        })}
                        aria-haspopup="dialog"
                        onClick={() =>
                          onOpen({ kind: 'shift', of: null, personId: person.id, weekday })
                        }
                      >
                        +
                      </button>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </WideTable>
  );
}
