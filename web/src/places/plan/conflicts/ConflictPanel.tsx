import Button from '@mui/material/Button';
import type { Clash, Demand, Relaxation } from '@calm/core';
import { useTranslation } from 'react-i18next';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import type { PlanMessages } from './conflictMessages';

/** Ways out that are offered. */
const OFFERED = 6;

/** What cannot be made together, and every single change that lets it, each one press. */
export function ClashPanel({
  clash,
  impossible,
  words,
  messages,
  onTake,
  onLeaveOut,
}: {
  readonly clash: Clash;
  /** All of the week that cannot be made even by itself. */
  readonly impossible: readonly Demand[];
  readonly words: PlanWords;
  readonly messages: PlanMessages;
  readonly onTake: (way: Relaxation) => void;
  /** Leaves all of them out, and goes on with the rest. */
  readonly onLeaveOut: (demands: readonly Demand[]) => void;
}) {
  const { t } = useTranslation();
  const what = words.f.list(
    clash.demands.map(({ doughId, serviceId }) =>
      t('plan.doughFor', { dough: words.dough(doughId), service: words.service(serviceId) }),
    ),
  );
  return (
    <section className={styles['conflicts']} aria-label={t('plan.clash')}>
      <h2>{t('plan.cannotTogether', { count: clash.demands.length, what })}</h2>
      {impossible.length > 0 && (
        <>
          <p>
            {t('plan.impossible', {
              count: impossible.length,
              what: words.f.list(
                impossible.map(({ doughId, serviceId }) =>
                  t('plan.doughFor', {
                    dough: words.dough(doughId),
                    service: words.service(serviceId),
                  }),
                ),
              ),
            })}
          </p>
          <Button variant="contained" onClick={() => onLeaveOut(impossible)}>
            {t('plan.leaveOutAll', { count: impossible.length })}
          </Button>
        </>
      )}
      <p>{t('plan.anyOne')}</p>
      <div className={styles['fixes']}>
        {clash.waysOut.slice(0, OFFERED).map((way, i) => (
          <Button
            key={i}
            size="small"
            variant={i === 0 && impossible.length === 0 ? 'contained' : 'outlined'}
            onClick={() => onTake(way)}
          >
            {messages.relaxation(way)}
          </Button>
        ))}
      </div>
    </section>
  );
}
