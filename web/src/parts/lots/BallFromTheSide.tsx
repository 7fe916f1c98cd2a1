import type { BallSilhouette } from '@calm/core';
import styles from './BallFromTheSide.module.css';

/** A ball in a picture whose table is at 0, over how it was set down; in widths of that. */
export function BallFromTheSide({ width, height }: Omit<BallSilhouette, 'form'>) {
  const half = (w: number, h: number) => `M ${-w / 2} 0 A ${w / 2} ${h} 0 0 1 ${w / 2} 0 Z`;
  return (
    <>
      <path d={half(width, height)} className={styles['dough']} />
      <path d={half(1, 0.75)} className={styles['setDown']} />
    </>
  );
}
