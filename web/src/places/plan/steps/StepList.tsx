import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import styles from '../Plan.module.css';
import { byDay, type PlanStep } from './planSteps';
import type { PlanWords } from '../planWords';

/** The same plan as a list: what, when, for which lot, by whom. */
export const StepList = memo(function StepList({
  steps,
  timeZone,
  words,
}: {
  readonly steps: readonly PlanStep[];
  readonly timeZone: string;
  readonly words: PlanWords;
}) {
  const { t } = useTranslation();
  if (steps.length === 0) return <p className="quiet">{t('plan.noSteps')}</p>;
  return byDay(steps, timeZone).map(([date, daySteps]) => (
    <section key={date} className={styles['dayList']} aria-label={words.f.date(date)}>
      <h2>{words.f.date(date)}</h2>
      <table>
        <thead className="sr-only">
          <tr>
            <th scope="col">{t('plan.col.when')}</th>
            <th scope="col">{t('plan.col.work')}</th>
            <th scope="col">{t('plan.col.lot')}</th>
            <th scope="col">{t('plan.col.who')}</th>
          </tr>
        </thead>
        <tbody>
          {daySteps.map(({ key, lot, step }) => (
            <tr key={key} data-open={step.personIds.length === 0}>
              <td className={styles['when']}>
                {words.time(step.startMin)}{' '}
                <span className="quiet small">{words.f.duration(step.endMin - step.startMin)}</span>
              </td>
              <td>{words.step(step, lot)}</td>
              <td>{words.lot(lot)}</td>
              <td className={styles['whoIn']}>
                {words.f.list(step.personIds.map(words.person)) || t('plan.nobody')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  ));
});
