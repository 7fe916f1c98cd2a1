import type { ConsistencyChart } from '@calm/contract';
import type { ChartLimits, ChartSignal } from '@calm/core';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { AxisX, AxisY } from '../../../parts/charts/axes';
import { Plot } from '../../../parts/charts/Plot';
import { useFormats } from '../../../parts/format/useFormats';

const HEIGHT = 160;
const TOP = 8;
const BELOW = 24;
const BESIDE = 72;
const MOST_TICKS = 6;
/** Half a day's name, px. */
const HALF_LABEL = 32;
/** Numbers on an axis, px. */
const LEAST_APART = 18;

/** Values in time's order about their mean, with the band in which they usually lie; what signals is marked. */
export function SteadyChart({
  points,
  limits: { center, lower, upper },
  signals,
  label,
  write,
}: {
  readonly points: ConsistencyChart['points'];
  readonly limits: ChartLimits;
  readonly signals: readonly ChartSignal[];
  readonly label: string;
  readonly write: (value: number) => string;
}) {
  const f = useFormats();
  const values = points.map(({ value }) => value);
  const [least = lower, most = upper] = extent([...values, lower, upper]);
  const y = scaleLinear([least, most], [HEIGHT - BELOW, TOP]);
  // What would stand on one another is left out, the middle first.
  const ticks = [lower, upper, center, most, least].reduce<number[]>(
    (kept, value) =>
      kept.some((other) => Math.abs(y(other) - y(value)) < LEAST_APART) ? kept : [...kept, value],
    [],
  );
  const isOut = (i: number) => signals.some(({ from, to }) => i >= from && i <= to);
  const step = Math.max(1, Math.ceil(points.length / MOST_TICKS));
  return (
    <Plot height={HEIGHT} label={label}>
      {(width) => {
        const end = width - 8;
        const x = scaleLinear([0, Math.max(1, points.length - 1)], [BESIDE + 8, end - 8]);
        const path = line<number>()
          .x((_, i) => x(i))
          .y((value) => y(value))(values);
        return (
          <>
            <rect
              x={BESIDE}
              width={Math.max(0, end - BESIDE)}
              y={y(upper)}
              height={Math.max(0, y(lower) - y(upper))}
              fill="var(--primary)"
              fillOpacity={0.12}
            />
            <AxisY
              x={BESIDE}
              lineTo={end}
              ticks={ticks.map((value) => ({ at: y(value), label: write(value) }))}
            />
            <AxisX
              y={HEIGHT - BELOW}
              from={BESIDE}
              to={end}
              ticks={points.flatMap(({ at }, i) =>
                i % step === 0 && x(i) < end - HALF_LABEL
                  ? [{ at: x(i), label: f.day(Date.parse(at)) }]
                  : [],
              )}
            />
            <path d={path ?? ''} fill="none" stroke="var(--quiet)" />
            {values.map((value, i) => (
              <circle
                key={i}
                cx={x(i)}
                cy={y(value)}
                r={isOut(i) ? 5 : 3}
                fill={isOut(i) ? 'var(--attention)' : 'var(--primary)'}
              />
            ))}
          </>
        );
      }}
    </Plot>
  );
}
