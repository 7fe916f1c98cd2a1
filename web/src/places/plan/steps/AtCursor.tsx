import type { PlannedLot } from '@calm/core';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import styles from '../Plan.module.css';
import { planSteps } from './planSteps';
import type { PlanWords } from '../planWords';

const LOOKED_AHEAD_MIN = 7 * 24 * 60;

/** What happens at the cursor, or next, in a sentence. */
export const AtCursor = memo(function AtCursor({
  lots,
  atMs,
  words,
}: {
  readonly lots: readonly PlannedLot[];
  readonly atMs: number;
  readonly words: PlanWords;
}) {
  const { t } = useTranslation();
  const atMin = Math.floor(atMs / 60_000);
  const coming = planSteps(lots, atMin, atMin + LOOKED_AHEAD_MIN);
  const present = coming.filter(({ step }) => step.startMin <= atMin);
  const [next] = coming.filter(({ step }) => step.startMin > atMin);
  const said = ({ lot, step }: (typeof coming)[number]) =>
    t('plan.does', {
      who: words.f.list(step.personIds.map(words.person)) || t('plan.nobody'),
      what: words.step(step, lot),
      lot: words.lot(lot),
    });
  return (
    <p className={styles['atCursor']}>
      <b>{t('plan.at', { at: words.moment(atMin) })}</b>{' '}
      {present.length > 0 ? `${present.map(said).join('; ')}.` : t('plan.noOne')}
      {next && ` ${t('plan.next', { at: words.moment(next.step.startMin), what: said(next) })}`}
    </p>
  );
});
