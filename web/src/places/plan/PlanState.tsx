import { gapPercent } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import styles from './Plan.module.css';
import type { PlanWeek } from './editing/usePlanWeek';
import type { OptimizerState } from './editing/useOptimizer';

/** How the plan stands, in a sentence. */
export function PlanState({
  week,
  state,
  conflicts,
  openCount,
}: {
  readonly week: PlanWeek;
  readonly state: OptimizerState;
  readonly conflicts: number;
  /** Services without dough while nothing is planned yet. */
  readonly openCount: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const percent = (gap: number) => (gap < 0.05 ? 0 : Math.round(gap * 10) / 10);
  const far = (gap: number | null) =>
    gap === null
      ? ''
      : percent(gap) === 0
        ? t('plan.noBetter')
        : t('plan.within', { percent: f.percent(percent(gap)) });
  if (state.kind === 'optimizing') {
    const gap = state.solved ? gapPercent(state.solved) : null;
    const isOpen = (state.solved?.open ?? 1) > 0;
    return isOpen ? t('plan.lookingForPlan') : `${t('plan.improving')} ${far(gap)}`;
  }
  if (state.kind === 'asking-why') return t('plan.askingWhy');
  if (openCount > 0) return t('plan.notPlanned', { count: openCount });
  if (conflicts > 0) {
    return <b className={styles['open']}>{t('plan.notFitting', { count: conflicts })}</b>;
  }
  const fits = t(week.isDraft ? 'plan.draftFits' : 'plan.fits');
  const isKnown = state.kind === 'done' && state.of === week.content;
  return isKnown ? `${fits} ${far(state.gapPercent)}` : fits;
}
