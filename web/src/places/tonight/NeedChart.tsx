import { MINUTE_MS, QUARTER_MIN } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { AxisX, AxisY } from '../../parts/charts/axes';
import { Plot } from '../../parts/charts/Plot';
import { useFormats } from '../../parts/format/useFormats';
import { useCursor } from '../../state/time/useCursor';
import type { ServiceBalls } from './serviceBalls';

const HEIGHT = 112;
const TOP = 8;
/** Room for the hours below and the numbers beside the plot, px. */
const BELOW = 24;
const BESIDE = 36;
/** How wide a bar is, of its quarter. */
const BAR_SHARE = 0.85;
/** The hour is written under every eighth quarter. */
const EVERY = 8;

/** Need by quarter hour against what stands ready for it. */
export function NeedChart({ balls }: { readonly balls: ServiceBalls }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs } = useCursor();
  const { doorsMs, quarters } = balls;
  const shortOf = Math.round(quarters.reduce((sum, { short }) => sum + short, 0));
  const words =
    shortOf > 0
      ? t('tonight.chart.short', { count: shortOf })
      : t('tonight.chart.enough', { need: f.count(Math.round(balls.need)) });
  const most = Math.max(1, ...quarters.map(({ need, ready }) => Math.max(need, ready)));
  const top = Math.ceil(most / 10) * 10;
  const y = (balls: number) => HEIGHT - BELOW - (balls / top) * (HEIGHT - BELOW - TOP);
  const now = (atMs - doorsMs) / MINUTE_MS / QUARTER_MIN;
  return (
    <Plot height={HEIGHT} label={words}>
      {(width) => {
        const end = width - 4;
        const step = (end - BESIDE) / Math.max(1, quarters.length);
        const x = (quarter: number) => BESIDE + quarter * step;
        const bar = Math.max(1, step * BAR_SHARE);
        const ready = quarters.map((quarter, i) => `V${y(quarter.ready)}H${x(i + 1)}`).join('');
        return (
          <>
            <AxisY
              x={BESIDE}
              ticks={[0, top / 2, top]
                .filter(Number.isInteger)
                .map((value) => ({ at: y(value), label: f.count(value) }))}
            />
            {quarters.map(({ need, short }, i) => (
              <g key={String(i)} transform={`translate(${x(i)} 0)`}>
                <rect
                  y={y(Math.max(0, need - short))}
                  width={bar}
                  height={y(0) - y(Math.max(0, need - short))}
                  fill="var(--primary)"
                />
                <rect
                  y={y(need)}
                  width={bar}
                  height={y(Math.max(0, need - short)) - y(need)}
                  fill="var(--attention)"
                />
              </g>
            ))}
            <path d={`M${x(0)} ${y(0)}${ready}`} fill="none" stroke="var(--oat)" strokeWidth={3} />
            {now >= 0 && now < quarters.length && (
              <line
                x1={x(now)}
                x2={x(now)}
                y1={TOP}
                y2={y(0)}
                stroke="var(--attention)"
                strokeWidth={2}
              />
            )}
            <AxisX
              y={y(0)}
              from={BESIDE}
              to={end}
              ticks={quarters.flatMap(({ startMin }, i) =>
                i % EVERY === 0 && x(i) < end - 24
                  ? [{ at: x(i) + 14, label: f.time(doorsMs + startMin * MINUTE_MS) }]
                  : [],
              )}
            />
          </>
        );
      }}
    </Plot>
  );
}
