import type { WeekFault } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';

/** What of the house's own words makes no sense, each with where to mend it. */
export function FaultList({
  faults,
  words,
  house,
}: {
  readonly faults: readonly WeekFault[];
  readonly words: PlanWords;
  readonly house: string;
}) {
  const { t } = useTranslation();
  if (faults.length === 0) return null;
  return (
    <section className={styles['conflicts']} aria-label={t('plan.faults')}>
      <h2>{t('plan.faults')}</h2>
      <ul>
        {faults.map((fault) => (
          <li key={JSON.stringify(fault)}>
            {formatFaultMessage(fault, words)}{' '}
            <Link to={`/${house}/${placeOf(fault)}`}>{t('plan.mendIt')}</Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Where a fault is mended. */
function placeOf({ kind }: WeekFault): string {
  if (kind === 'service-past' || kind === 'no-such-service') return 'demand';
  if (kind === 'hours-crossed' || kind === 'no-rest') return 'formulas/routes';
  if (kind === 'no-trays') return 'house';
  if (kind === 'no-mixer' || kind === 'no-such-product' || kind === 'no-such-dough')
    return 'formulas';
  return 'crew';
}

function formatFaultMessage(fault: WeekFault, words: PlanWords): string {
  return words.t(`weekFaults.${fault.kind}`, {
    ...fault,
    ...('doughId' in fault && { doughId: words.dough(fault.doughId) }),
    ...('personId' in fault && { personId: words.person(fault.personId) }),
    ...('serviceId' in fault && { serviceId: words.service(fault.serviceId) }),
    ...('skill' in fault && { skill: words.t(`skill.${fault.skill}`) }),
  });
}
