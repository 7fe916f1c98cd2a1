import { DAY_MIN, MINUTE_MS } from '@calm/core';
import { serviceTasks } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { midnightOf } from '../../../state/time/localDate';
import type { PlanWeek } from '../editing/usePlanWeek';
import paper from './DayPaper.module.css';

/** Work at ovens and bench before the doors of each service of a day. */
export function OvenPaper({ week, day }: { readonly week: PlanWeek; readonly day: string }) {
  const { t } = useTranslation();
  const f = useFormats();
  const fromMin = midnightOf(day, week.book.house.timeZone) / MINUTE_MS;
  const services = week.problem.services.filter(
    ({ startMin }) => startMin >= fromMin && startMin < fromMin + DAY_MIN,
  );
  const tasks = services.flatMap(({ id, startMin }) =>
    serviceTasks(
      week.book.house.settings.ovens ?? [],
      { date: day, patternId: id, startsAt: new Date(startMin * MINUTE_MS).toISOString() },
      week.problem.wanted.reduce(
        (sum, { serviceId, count }) => (serviceId === id ? sum + count : sum),
        0,
      ),
    ),
  );
  if (tasks.length === 0) return null;
  return (
    <section className={paper['page']} aria-label={f.joined(t('doors.title'), f.date(day))}>
      <header>
        <h2>
          {t('doors.title')} <span>{f.date(day)}</span>
        </h2>
        <p>{week.book.house.name}</p>
      </header>
      <table>
        <tbody>
          {tasks.map(({ key, kind, oven, grams, atMs }) => (
            <tr key={key}>
              <td className={paper['box']} aria-hidden="true" />
              <td className={paper['when']}>{f.time(atMs)}</td>
              <td>{t(`doors.${kind}`, { oven, grams: f.grams(grams) })}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
