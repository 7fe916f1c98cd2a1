import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './Measures.module.css';

const TAPS = ['floor', 'mark', 'top'] as const;

/** Heights in a photo of a tub, px of its own: the dough's when it was mixed, and now; null until all is tapped. */
export interface PhotoHeights {
  readonly from: number | null;
  readonly now: number | null;
}

const NONE: PhotoHeights = { from: null, now: null };

/** A photo of a tub with upright walls, in which its floor, its mark and the dough are tapped one after another. */
export function PhotoMarks({
  source,
  onMarks,
}: {
  /** The photo itself, as a data address. */
  readonly source: string;
  readonly onMarks: (heights: PhotoHeights) => void;
}) {
  const { t } = useTranslation();
  /** How far down each tap is, as shares of the photo's height. */
  const [taps, setTaps] = useState<readonly number[]>([]);
  const [floor, mark, top] = taps;
  const next = TAPS[taps.length];
  const isUpsideDown =
    floor !== undefined &&
    ((mark !== undefined && mark >= floor) || (top !== undefined && top >= floor));
  const tap = (down: number) => {
    if (taps.length >= TAPS.length) return;
    const all = [...taps, down];
    setTaps(all);
    const [at, was, is] = all;
    if (at === undefined || was === undefined || is === undefined) return;
    if (was < at && is < at) onMarks({ from: 1000 * (at - was), now: 1000 * (at - is) });
  };
  return (
    <div>
      <p role="status">
        {isUpsideDown ? t('measure.photo.order') : next && t(`measure.photo.tap.${next}`)}
      </p>
      <button
        type="button"
        className={styles['photo']}
        onClick={({ clientY, currentTarget }) => {
          const { top: from, height } = currentTarget.getBoundingClientRect();
          tap((clientY - from) / height);
        }}
      >
        <img src={source} alt={t('measure.photo.alt')} />
        {taps.map((down, i) => (
          <span key={i} className={styles['line']} style={{ top: `${100 * down}%` }} />
        ))}
      </button>
      {taps.length > 0 && (
        <Button
          onClick={() => {
            setTaps([]);
            onMarks(NONE);
          }}
        >
          {t('measure.photo.again')}
        </Button>
      )}
    </div>
  );
}
