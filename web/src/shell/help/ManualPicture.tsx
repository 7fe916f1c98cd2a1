import { ballSilhouette, type BallSilhouette } from '@calm/core';
import { Ball } from '../../parts/lots/Ball';
import styles from './Help.module.css';

const PX = 36;

/** A ball from the side, over how it was set down. */
function FromTheSide({ width, height }: BallSilhouette) {
  const half = (w: number, h: number) => `M ${-w / 2} 0 A ${w / 2} ${h} 0 0 1 ${w / 2} 0 Z`;
  return (
    <svg viewBox="-1 -0.8 2 0.84" width={2 * PX} height={0.84 * PX} aria-hidden="true">
      <path d={half(width, height)} className={styles['dough']} />
      <path d={half(1, 0.75)} className={styles['setDown']} />
    </svg>
  );
}

/** Pictures that pages of the manual name: shapes without a word in them. */
export const PICTURES = {
  'lot-to-make': <Ball shape="low" tone="quiet" />,
  'lot-resting': <Ball shape="dome" />,
  'lot-cold': <Ball shape="low" tone="cold" />,
  'lot-warm': <Ball shape="full" />,
  'lot-over': <Ball shape="slumped" tone="quiet" />,
  'ball-early': (
    <FromTheSide {...ballSilhouette({ volume: 1.2, relaxed: 0.1, holding: 1, coreTempC: 20 })} />
  ),
  'ball-right': (
    <FromTheSide {...ballSilhouette({ volume: 2, relaxed: 0.8, holding: 1, coreTempC: 20 })} />
  ),
  'ball-late': (
    <FromTheSide {...ballSilhouette({ volume: 2.6, relaxed: 1, holding: 0.3, coreTempC: 20 })} />
  ),
} as const;

/** A picture of a page of the manual, with what it is under it. */
export const ManualPicture = ({ src, alt }: { readonly src?: string; readonly alt?: string }) => (
  <span className={styles['picture']}>
    {PICTURES[src as keyof typeof PICTURES]}
    <span>{alt}</span>
  </span>
);
