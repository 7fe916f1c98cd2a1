import type { Evening, OpensBetween } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../../parts/format/useFormats';
import type { Coached, EveningSeen } from '../../../../workers/practice/practiceAnswers';
import { Seen } from '../reading/Seen';
import styles from './Evening.module.css';
import { timeOfEvening } from './eveningClock';

/** What was found out of a dough at this moment, and what a coach says of what was done. */
export function FoundOutWords({
  at,
  really,
  seen: { found, coached: all },
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
  const coachWords = (each: Coached): string => {
    if ('isKept' in each)
      return t(each.isKept ? 'practice.evening.coached.kept' : 'practice.evening.coached.notKept');
    if (!('really' in each)) return t(`practice.evening.coached.${each.about}`);
    const { about, really: is, believed } = each;
    const opens = { really: between(is), believed: between(believed) };
    const why = t(`practice.evening.coachWhy.${whyOf(is, believed)}`);
    return `${t(`practice.evening.coached.${about}`, opens)} ${why}`;
  };
  const mine = found.filter(({ dough }) => dough === at);
  const coached = isCoached ? all.filter(({ dough }) => dough === at) : [];
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
      {coached.map((each, i) => (
        <p key={String(i)}>
          <b>{t('practice.evening.coach')}</b> {coachWords(each)}{' '}
          <Link to={`?help=${PAGES[each.about]}`}>{t('practice.evening.readOn')}</Link>
        </p>
      ))}
    </div>
  );
}

/** Where the manual tells more of what a coach speaks about. */
const PAGES = {
  pull: 'what-if',
  're-ball': 'what-now',
  mix: 'guests',
  chill: 'walk-in',
  discard: 'what-now',
  stop: 'guests',
} as const satisfies Record<Coached['about'], string>;

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
