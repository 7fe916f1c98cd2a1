import type { ReactNode } from 'react';
import { usePictureWidth } from '../layout/usePictureWidth';
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
  const { ref, width } = usePictureWidth<HTMLDivElement>();
  return (
    <div ref={ref} className={styles['plot']} style={{ height }}>
      <svg width={width} height={height} role="img" aria-label={label}>
        {width > 0 && children(width)}
      </svg>
    </div>
  );
}
