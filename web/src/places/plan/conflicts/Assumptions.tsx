import Chip from '@mui/material/Chip';
import { useTranslation } from 'react-i18next';
import styles from '../Plan.module.css';
import type { PlanMessages } from './conflictMessages';
import type { PlanEditing } from '../editing/usePlanEditing';
import type { PlanWeek } from '../editing/usePlanWeek';

/** What the plan takes to be so, each to be taken back. */
export function Assumptions({
  week,
  messages,
  editing,
}: {
  readonly week: PlanWeek;
  readonly messages: PlanMessages;
  readonly editing: PlanEditing;
}) {
  const { t } = useTranslation();
  const { assumptions } = week.content;
  if (assumptions.length === 0) return null;
  return (
    <section className={styles['assumptions']} aria-label={t('plan.restsOn')}>
      <span className="quiet">{t('plan.restsOn')}</span>
      {assumptions.map((assumption, i) => {
        const said = messages.assumption(assumption);
        return (
          <Chip
            key={i}
            label={said}
            onDelete={() => editing.assumption(assumptions.filter((_, at) => at !== i))}
          />
        );
      })}
    </section>
  );
}
