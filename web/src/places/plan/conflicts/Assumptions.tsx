import Chip from '@mui/material/Chip';
import { useTranslation } from 'react-i18next';
import styles from '../Plan.module.css';
import type { PlanSayings } from './conflictMessages';
import type { Bending } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';

/** What the plan takes to be so, each to be taken back. */
export function AsIfs({
  week,
  sayings,
  bending,
}: {
  readonly week: PlanWeek;
  readonly sayings: PlanSayings;
  readonly bending: Bending;
}) {
  const { t } = useTranslation();
  const { asIfs } = week.content;
  if (asIfs.length === 0) return null;
  return (
    <section className={styles['asIfs']} aria-label={t('plan.restsOn')}>
      <span className="quiet">{t('plan.restsOn')}</span>
      {asIfs.map((asIf, i) => {
        const said = sayings.asIf(asIf);
        return (
          <Chip
            key={i}
            label={said}
            onDelete={() => bending.asIf(asIfs.filter((_, at) => at !== i))}
          />
        );
      })}
    </section>
  );
}
