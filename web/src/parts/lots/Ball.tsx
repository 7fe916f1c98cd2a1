import styles from './Ball.module.css';

/** How a dough stands: before it rises, rising, at its best, past it. */
export type Silhouette = 'low' | 'dome' | 'full' | 'slumped';

const OUTLINE: Readonly<Record<Silhouette, string>> = {
  low: 'M1 27 C1 17 7 12 16 12 C25 12 31 17 31 27 Z',
  dome: 'M2 27 C2 14 8 7 16 7 C24 7 30 14 30 27 Z',
  full: 'M3 27 C-1 12 6 1 16 1 C26 1 33 12 29 27 Z',
  slumped: 'M0 27 C0 16 5 12 11 14 C16 16 20 11 25 12 C30 13 32 20 32 27 Z',
};

/** A ball of dough seen from the side, optionally with a number in it. */
export function Ball({
  shape,
  count,
  tone = 'oat',
}: {
  readonly shape: Silhouette;
  readonly count?: number;
  readonly tone?: 'oat' | 'cold' | 'quiet';
}) {
  return (
    <span className={styles['ball']} data-tone={tone} data-shape={shape} aria-hidden="true">
      <svg viewBox="0 0 32 28" width="32" height="28">
        <path d={OUTLINE[shape]} />
      </svg>
      {count !== undefined && <span className={styles['count']}>{count}</span>}
    </span>
  );
}
