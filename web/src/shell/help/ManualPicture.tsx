import { ballSilhouette, type BallSilhouette } from '@calm/core';
import { Ball } from '../../parts/lots/Ball';
import { BallFromTheSide } from '../../parts/lots/BallFromTheSide';
import styles from './Help.module.css';

const PX = 36;

/** A ball as large as words beside it. */
const FromTheSide = ({ width, height }: BallSilhouette) => (
  <svg viewBox="-1 -0.8 2 0.84" width={2 * PX} height={0.84 * PX} aria-hidden="true">
    <BallFromTheSide width={width} height={height} />
  </svg>
);

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
