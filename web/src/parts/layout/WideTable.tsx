import type { ReactNode } from 'react';
import styles from './WideTable.module.css';

/** A table that goes sideways by itself where the screen is narrow, by touch and by arrow keys. */
export function WideTable({
  label,
  children,
}: {
  readonly label: string;
  readonly children: ReactNode;
}) {
  return (
    <div className={styles['wide']} role="region" aria-label={label} tabIndex={0}>
      {children}
    </div>
  );
}
