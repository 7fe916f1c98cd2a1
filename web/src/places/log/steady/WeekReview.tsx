import type { WeekReview as Review } from '@calm/contract';
import { reviewWords } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Steady.module.css';

/** What became of a week, on one page. */
export function WeekReview({ house, week }: { readonly house: string; readonly week: Review }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { title, facts, faults } = reviewWords(week, (key, values) => t(key, { ...values }), f);
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
      {faults.length > 0 && (
        <>
          <h3>{t('review.faults')}</h3>
          <ul>
            {faults.map(({ name, lots }) => (
              <li key={name}>
                {name}:{' '}
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
