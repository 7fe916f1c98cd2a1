import type { ReactNode } from 'react';
import { useWidth } from '../layout/useWidth';
import styles from './Plot.module.css';

/** A picture as wide as the room that it is given, with words for whoever cannot see it. Time runs to the right. */
export function Plot({
  height,
  label,
  children,
}: {
  readonly height: number;
  readonly label: string;
  readonly children: (width: number) => ReactNode;
}) {
  const { ref, width } = useWidth<HTMLDivElement>();
  return (
    <div ref={ref} className={styles['plot']} style={{ height }} dir="ltr">
      <svg width={width} height={height} role="img" aria-label={label}>
        {width > 0 && children(width)}
      </svg>
    </div>
  );
}
