import { HOUR_MS } from '@calm/core';
import { extent, range } from 'd3-array';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useTranslation } from 'react-i18next';
import { AxisX, AxisY } from '../../../parts/charts/axes';
import { Plot } from '../../../parts/charts/Plot';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Air.module.css';

/** One line of air over time. */
export interface AirLine {
  readonly name: string;
  readonly atMs: readonly number[];
  readonly airC: readonly number[];
}

const HEIGHT = 260;
const TOP = 8;
/** Room for the hours below and the temperatures beside the plot, px. */
const BELOW = 28;
const BESIDE = 72;
/** An hour under the plot needs so much room to stand whole, px. */
const HOUR_PX = 24;
/** The air is drawn from here at the highest, and past the limit by a degree at the least. */
const LOWEST_C = 2;
/** Points further apart than this are not joined: nobody knows what was between. */
const JOINED_MS = 35 * 60_000;
/** Lines differ by their strokes too, not by colour alone. */
const STROKES = [
  { stroke: 'var(--cold)', strokeDasharray: '' },
  { stroke: 'var(--primary)', strokeDasharray: '8 3' },
  { stroke: 'var(--oat)', strokeDasharray: '2 3' },
  { stroke: 'var(--attention)', strokeDasharray: '10 3 2 3' },
] as const;

/** How cold it was, against the limit. */
export function AirChart({
  lines,
  limitC,
  nowMs,
  words,
}: {
  readonly lines: readonly AirLine[];
  readonly limitC: number;
  readonly nowMs?: number;
  /** The chart as a sentence, for who does not see it. */
  readonly words: string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [first, last] = extent(lines.flatMap(({ atMs }) => atMs));
  if (first === undefined || last === undefined)
    return <p className="quiet">{t('walkIn.air.none')}</p>;
  const [low = limitC, high = limitC] = extent(lines.flatMap(({ airC }) => airC));
  const y = scaleLinear(
    [Math.floor(Math.min(low, LOWEST_C)), Math.ceil(Math.max(high, limitC + 1))],
    [HEIGHT - BELOW, TOP],
  );
  return (
    <div>
      <ul className={styles['legend']}>
        {lines.map(({ name }, i) => (
          <li key={name}>
            <svg width="32" height="8" aria-hidden="true">
              <line x1="0" x2="32" y1="4" y2="4" strokeWidth="2.5" {...STROKES[i % 4]} />
            </svg>
            {name}
          </li>
        ))}
      </ul>
      <Plot height={HEIGHT} label={words}>
        {(width) => {
          const end = width - 16;
          const x = scaleLinear([first, last], [BESIDE, end]);
          return (
            <>
              <AxisY
                x={BESIDE}
                lineTo={end}
                ticks={y.ticks(5).map((c) => ({ at: y(c), label: f.temperature(c, 0) }))}
              />
              <AxisX
                y={HEIGHT - BELOW}
                from={BESIDE}
                to={end}
                ticks={hoursBetween(first, last)
                  .map((ms) => ({ at: x(ms), label: f.time(ms) }))
                  .filter(({ at }) => at >= BESIDE + HOUR_PX && at <= end - HOUR_PX)}
              />
              <g className={styles['limit']} transform={`translate(0 ${y(limitC)})`}>
                <line x1={BESIDE} x2={end} />
                <text x={BESIDE + 6} y={-6}>
                  {t('walkIn.air.limit', { limit: f.temperature(limitC) })}
                </text>
              </g>
              {nowMs !== undefined && nowMs > first && nowMs < last && (
                <g className={styles['now']} transform={`translate(${x(nowMs)} 0)`}>
                  <line y1={TOP} y2={HEIGHT - BELOW} />
                  <text x={6} y={TOP + 14}>
                    {t('shell.now')}
                  </text>
                </g>
              )}
              {lines.map((each, i) => (
                <path
                  key={each.name}
                  d={pathOf(each, x, y)}
                  fill="none"
                  strokeWidth={2.5}
                  {...STROKES[i % 4]}
                />
              ))}
            </>
          );
        }}
      </Plot>
    </div>
  );
}

/** Whole hours of the clock, ms, as many as can be read. */
function hoursBetween(firstMs: number, lastMs: number): number[] {
  const spanH = (lastMs - firstMs) / HOUR_MS;
  const stepMs = (spanH <= 13 ? 1 : spanH <= 26 ? 3 : 12) * HOUR_MS;
  return range(Math.ceil(firstMs / stepMs) * stepMs, lastMs + 1, stepMs);
}

/** A line through what was read, broken wherever nothing was. */
function pathOf(
  { atMs, airC }: AirLine,
  x: ScaleLinear<number, number>,
  y: ScaleLinear<number, number>,
): string {
  const points = atMs.flatMap((ms, i) => {
    const isGap = i > 0 && ms - (atMs[i - 1] ?? ms) > JOINED_MS;
    return isGap ? [null, i] : [i];
  });
  const draw = line<number | null>()
    .defined((i) => i !== null)
    .x((i) => x(atMs[i ?? 0] ?? 0))
    .y((i) => y(airC[i ?? 0] ?? 0));
  return draw(points) ?? '';
}
