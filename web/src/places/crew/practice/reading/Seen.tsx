import type { DoughSeen, ReadingCase } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { BallDrawing } from './BallDrawing';
import styles from './Reading.module.css';
import { TubDrawing } from './TubDrawing';

/** What is seen of a dough: how it stands, what a dent does, how warm it is, since when. */
export function Seen({
  seen,
  plan,
}: {
  readonly seen: DoughSeen;
  /** What is known of it before one looks. */
  readonly plan?: ReadingCase['plan'];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { silhouette } = seen;
  const level = plan?.level ?? null;
  const rows = {
    ...(level !== null && { level: t('practice.reading.level', { level: f.times(level, 1) }) }),
    hours: f.duration(60 * seen.hours),
    hoursHere: f.duration(60 * seen.hoursHere),
    poke: t(`practice.poke.${seen.poke}`),
    core: f.temperature(seen.coreTempC, 0),
    room: f.temperature(seen.airTempC, 0),
  };
  return (
    <div className={styles['case']}>
      {silhouette.form === 'tub' ? (
        <TubDrawing silhouette={silhouette} plannedLevel={level ?? silhouette.level} />
      ) : (
        <BallDrawing silhouette={silhouette} />
      )}
      <dl className={styles['seen']}>
        {(Object.keys(rows) as (keyof typeof rows)[]).map((row) => (
          <div key={row} style={{ display: 'contents' }}>
            <dt>{t(`practice.seen.${row}`)}</dt>
            <dd>{rows[row]}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
