import type { ReactNode } from 'react';
import styles from './Reading.module.css';

/** What is drawn, in widths of a ball as it was set down, and as large as that is. */
const WIDE = 2.2;
const HIGH = 1.5;
const PX = 150;

/** Dough seen from the side, on its table: x from the middle, y up below 0. */
export function Drawing({
  label,
  children,
}: {
  /** What is seen, for whoever does not see it. */
  readonly label: string;
  readonly children: ReactNode;
}) {
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
      {children}
    </svg>
  );
}
