import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../parts/format';
import { coverWords } from '../../state/lotWords';
import type { Board } from '../../state/useBoard';
import { byDay, isOpen, type PlanStep } from './planSteps';
import styles from './Plan.module.css';

/** The same plan as a list: what, when, for which lot, by whom. */
export function StepList({
  board,
  steps,
}: {
  readonly board: Board;
  readonly steps: readonly PlanStep[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  if (steps.length === 0) return <p className="quiet">{t('plan.noSteps')}</p>;
  return byDay(steps, board.book.house.timeZone).map(([date, daySteps]) => (
    <section key={date} className={styles['dayList']} aria-label={f.date(date)}>
      <h2>{f.date(date)}</h2>
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
          {daySteps.map((step) => (
            <StepRow key={step.key} board={board} step={step} />
          ))}
        </tbody>
      </table>
    </section>
  ));
}

function StepRow({ board, step }: { readonly board: Board; readonly step: PlanStep }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { work, lot } = step;
  const minutes = (work.endMs - work.startMs) / 60_000;
  return (
    <tr data-open={isOpen(step)} data-done={step.doneMs !== null}>
      <td className={styles['when']}>
        {f.time(work.startMs)} <span className="quiet small">{f.duration(minutes)}</span>
      </td>
      <td>{t(`work.${work.key}`)}</td>
      <td>
        <Link to={`/${board.house}/mix/${lot.date}/${lot.product.slug}`}>
          {lot.recipe.formulaName}
        </Link>{' '}
        <span className="quiet small">
          {lot.lot ? lot.code : ''} {t('plan.for', { date: f.date(lot.date) })}
        </span>
      </td>
      <td className={styles['whoIn']}>
        {step.doneMs === null
          ? coverWords(t, work, step)
          : t('plan.done', { at: f.moment(step.doneMs) })}
      </td>
    </tr>
  );
}
