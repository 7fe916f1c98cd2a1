import type { DoughSeen } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { DoughDrawing } from './DoughDrawing';
import styles from './Reading.module.css';

/** What is seen of a dough: how it stands, what a dent does, how warm it is, since when. */
export function Seen({ seen }: { readonly seen: DoughSeen }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { silhouette } = seen;
  const rows = {
    hours: f.duration(60 * seen.hours),
    hoursHere: f.duration(60 * seen.hoursHere),
    poke: t(`practice.poke.${seen.poke}`),
    core: f.temperature(seen.coreTempC, 0),
    room: f.temperature(seen.airTempC, 0),
  };
  return (
    <div className={styles['case']}>
      <DoughDrawing
        silhouette={silhouette}
        label={t('practice.reading.drawn', {
          width: f.times(silhouette.width, 2),
          height: f.times(silhouette.height, 2),
        })}
      />
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
