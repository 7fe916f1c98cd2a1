import type { Evening, OpensBetween } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import type { EveningSeen } from '../../../../workers/practice/practiceAnswers';
import { Seen } from '../reading/Seen';
import styles from './Evening.module.css';
import { timeOfEvening } from './eveningClock';

/** What was found out of a dough at this moment, and what a coach says of what was done. */
export function FoundOutWords({
  at,
  really,
  seen: { found, opens },
  isCoached,
}: {
  readonly at: number;
  readonly really: Evening;
  readonly seen: EveningSeen;
  readonly isCoached: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const between = (each: OpensBetween | null): string =>
    each
      ? t('practice.evening.between', {
          from: timeOfEvening(f, really, each.fromMin),
          until: timeOfEvening(f, really, each.untilMin),
        })
      : t('practice.evening.neverOpens');
  const mine = found.filter(({ dough }) => dough === at);
  const coached = isCoached ? opens.filter(({ dough }) => dough === at) : [];
  if (mine.length + coached.length === 0) return null;
  return (
    <div className={styles['found']} role="status">
      {mine.map((each, i) =>
        each.kind === 'look' ? (
          <Seen key={String(i)} seen={each.seen} />
        ) : (
          <p key={String(i)}>
            {t('practice.evening.said', {
              now: between(each.opens[0] ?? null),
              later: between(each.opens[1] ?? null),
            })}
          </p>
        ),
      )}
      {coached.map(({ believed, really: is }, i) => (
        <p key={String(i)}>
          <b>{t('practice.evening.coach')}</b>{' '}
          {t('practice.evening.opens', { really: between(is), believed: between(believed) })}{' '}
          {t(`practice.evening.coachWhy.${whyOf(is, believed)}`)}
        </p>
      ))}
    </div>
  );
}

/** Less apart than this is as planned, min. */
const ALIKE_MIN = 20;

/** Whether dough comes as it was taken to. */
function whyOf(really: OpensBetween | null, believed: OpensBetween | null) {
  if (!really) return 'never';
  if (!believed) return 'sooner';
  const by = really.fromMin - believed.fromMin + (really.untilMin - believed.untilMin);
  if (Math.abs(by) <= 2 * ALIKE_MIN) return 'planned';
  return by < 0 ? 'sooner' : 'later';
}
