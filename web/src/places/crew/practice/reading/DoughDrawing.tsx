import type { Silhouette } from '@calm/core';
import styles from './Reading.module.css';

/** Widths of a ball as it was set down that are drawn. */
const WIDE = 2.2;
const HIGH = 1.5;
const PX = 150;

/** A ball seen from the side, to one scale with how it was set down. */
export function DoughDrawing({
  silhouette: { width, height },
  label,
}: {
  readonly silhouette: Silhouette;
  /** What is seen, for whoever does not see it. */
  readonly label: string;
}) {
  const half = (w: number, h: number) => `M ${-w / 2} 0 A ${w / 2} ${h} 0 0 1 ${w / 2} 0 Z`;
  return (
    <svg
      className={styles['drawing']}
      viewBox={`${-WIDE / 2} ${-HIGH} ${WIDE} ${HIGH + 0.06}`}
      width={WIDE * PX}
      height={(HIGH + 0.06) * PX}
      role="img"
      aria-label={label}
    >
      <line x1={-WIDE / 2} x2={WIDE / 2} y1={0.02} y2={0.02} className={styles['table']} />
      <path d={half(width, height)} className={styles['dough']} />
      <path d={half(1, 0.75)} className={styles['setDown']} />
    </svg>
  );
}
