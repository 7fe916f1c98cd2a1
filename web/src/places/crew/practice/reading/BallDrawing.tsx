import type { BallSilhouette } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { Drawing } from './Drawing';
import styles from './Reading.module.css';

/** A ball seen from the side, to one scale with how it was set down. */
export function BallDrawing({
  silhouette: { width, height },
}: {
  readonly silhouette: BallSilhouette;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const half = (w: number, h: number) => `M ${-w / 2} 0 A ${w / 2} ${h} 0 0 1 ${w / 2} 0 Z`;
  return (
    <Drawing
      label={t('practice.reading.drawn.ball', {
        width: f.times(width, 2),
        height: f.times(height, 2),
      })}
    >
      <path d={half(width, height)} className={styles['dough']} />
      <path d={half(1, 0.75)} className={styles['setDown']} />
    </Drawing>
  );
}
