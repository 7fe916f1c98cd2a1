import { LOOKS, ownAnswer, RIGHT_FROM, type ReadingCase } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { formatSurePercent } from '../../../../parts/format/odds';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Reading.module.css';

/** After an answer: what it was, why, and what would have told it. */
export function Coach({ asked, score }: { readonly asked: ReadingCase; readonly score: number }) {
  const { kind, plan, odds, minutesLeft, seen } = asked;
  const { t } = useTranslation();
  const f = useFormats();
  const { found } = ownAnswer(asked);
  return (
    <div className={styles['coach']} data-right={score >= RIGHT_FROM} role="status">
      <p>
        <b>{t(`practice.found.${found}`)}</b>
      </p>
      {minutesLeft !== null && (
        <p>{t('practice.reading.left', { left: f.duration(minutesLeft) })}</p>
      )}
      <p>
        {t(`practice.reading.why.${kind.warmth}`, {
          by: f.apart(seen.airTempC - plan.airTempC, 0),
          core: f.temperature(seen.coreTempC, 0),
        })}{' '}
        {t(`practice.reading.tell.${kind.form}.${found}`, {
          level: f.times(plan.level ?? 1, 1),
        })}
      </p>
      <ul className={styles['odds']} aria-label={t('practice.reading.engine')}>
        {LOOKS.map((each) => (
          <li key={each}>
            {t(`practice.found.${each}`)} <b>{formatSurePercent(f, odds[each])}</b>
          </li>
        ))}
      </ul>
      <p>{t('practice.reading.score', { score: f.count(Math.round(100 * score)) })}</p>
    </div>
  );
}
