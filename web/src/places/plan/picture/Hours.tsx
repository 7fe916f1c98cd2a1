import { HOUR_MS } from '@calm/core';
import { useFormats } from '../../../parts/format/useFormats';
import type { TimeScale } from './planLayout';
import styles from '../Plan.module.css';

/** Hours between two numbers, whichever first leaves them room. */
const EVERY = [1, 3, 6, 12] as const;
const LABEL_PX = 40;
/** A letter of a day's name, px. */
const DAY_LETTER_PX = 8;

/** Hour lines with their numbers, days by name, nights shaded. */
export function Hours({ scale, height }: { readonly scale: TimeScale; readonly height: number }) {
  const f = useFormats();
  const { fromMs, toMs, toX } = scale;
  const first = Math.ceil(fromMs / HOUR_MS) * HOUR_MS;
  const hours = Array.from(
    { length: Math.max(0, Math.ceil((toMs - first) / HOUR_MS)) },
    (_, i) => ({
      ms: first + i * HOUR_MS,
      hour: f.hour(first + i * HOUR_MS),
    }),
  );
  const hourPx = scale.pxPerMin * 60;
  const every = EVERY.find((step) => step * hourPx >= LABEL_PX) ?? 24;
  const dayLabelPx = f.day(fromMs).length * DAY_LETTER_PX + 8;
  const isTold = (hour: number) =>
    hour === 0 || (hour % every === 0 && hour * hourPx >= dayLabelPx);
  return hours.map(({ ms, hour }) => (
    <g key={ms}>
      {(hour >= 21 || hour < 6) && (
        <rect
          className={styles['night']}
          x={toX(ms)}
          width={toX(ms + HOUR_MS) - toX(ms) + 0.5}
          y={20}
          height={height - 20}
        />
      )}
      {isTold(hour) && (
        <>
          <line
            className={hour === 0 ? styles['midnight'] : styles['hourLine']}
            x1={toX(ms)}
            x2={toX(ms)}
            y1={20}
            y2={height}
          />
          <text className={styles['hour']} data-day={hour === 0} x={toX(ms) + 3} y={14}>
            {hour === 0 ? f.day(ms) : hour}
          </text>
        </>
      )}
    </g>
  ));
}
