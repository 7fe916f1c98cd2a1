import type { TubSilhouette } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { Drawing } from './Drawing';
import styles from './Reading.module.css';

/** Half the tub, and its rim. */
const HALF = 0.85;
const RIM = 1.45;
/** A tub has room for so often what its dough is to grow to. */
const ROOM = 2;
/** How far a top domes or sinks, at most. */
const DOME = 0.06;

/** How a top looks, in a word. */
const topOf = (dome: number) => (dome > 0.4 ? 'domed' : dome < -0.4 ? 'sunk' : 'flat');

/** Dough in its tub, seen through the wall, with the mark where it stood when it was set down. */
export function TubDrawing({
  silhouette: { level, dome },
  plannedLevel,
}: {
  readonly silhouette: TubSilhouette;
  /** In heights of the dough as it was set down. */
  readonly plannedLevel: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const setDown = RIM / (ROOM * plannedLevel);
  const mean = Math.min(RIM, level * setDown);
  // As much dough under a domed top as under a flat one: the middle of a parabola is half as high again as its mean.
  const middle = mean + (DOME * dome) / 3;
  const side = mean - (2 * DOME * dome) / 3;
  return (
    <Drawing label={t(`practice.reading.drawn.${topOf(dome)}`, { level: f.times(level, 2) })}>
      <path
        className={styles['dough']}
        d={`M ${-HALF} 0 V ${-side} Q 0 ${side - 2 * middle} ${HALF} ${-side} V 0 Z`}
      />
      <path className={styles['wall']} d={`M ${-HALF} ${-RIM} V 0 H ${HALF} V ${-RIM}`} />
      <line className={styles['setDown']} x1={-HALF} x2={HALF} y1={-setDown} y2={-setDown} />
    </Drawing>
  );
}
