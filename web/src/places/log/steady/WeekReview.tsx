import { LEFTOVERS, type WeekReview as Review } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Steady.module.css';

/** What became of a week, on one page. */
export function WeekReview({ house, week }: { readonly house: string; readonly week: Review }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { left, thrownCost } = week;
  const of = (some: number, all: number) =>
    t('steady.review.of', { some: f.count(some), all: f.count(all) });
  const leftWords = left
    ? LEFTOVERS.filter((to) => left[to] > 0).map(
        (to) => `${f.count(left[to])} ${t(`log.leftover.${to}`)}`,
      )
    : [];
  const facts: readonly (readonly [string, string])[] = [
    [
      t('steady.review.lots'),
      t('steady.review.lotsAre', { lots: f.count(week.lots), balls: f.count(week.balls) }),
    ],
    [t('steady.review.opened'), of(week.opened.well, week.opened.of)],
    [t('steady.review.onTime'), of(week.onTime.steps, week.onTime.of)],
    [t('steady.review.short'), of(week.short.services, week.short.of)],
    [
      t('steady.review.forecast'),
      week.forecastErrorPercent === null
        ? t('steady.review.none')
        : f.percent(week.forecastErrorPercent, 0),
    ],
    [t('steady.review.left'), leftWords.length > 0 ? f.list(leftWords) : t('steady.review.none')],
    ...(thrownCost === null ? [] : ([[t('steady.review.thrown'), f.money(thrownCost)]] as const)),
  ];
  const title = t('steady.week', { from: f.date(week.from), to: f.date(week.to) });
  return (
    <section aria-label={title} className={styles['week']}>
      <h2>{title}</h2>
      <dl>
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {week.faults.length > 0 && (
        <>
          <h3>{t('steady.review.faults')}</h3>
          <ul>
            {week.faults.map(({ found, lots }) => (
              <li key={found}>
                {t(`found.${found}`)}:{' '}
                {lots.map((code) => (
                  <Link key={code} to={`/${house}/log/${code}`}>
                    {code}
                  </Link>
                ))}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
