import { MINUTE_MS, QUARTER_MIN } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Bar, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts';
import { useFormats } from '../../parts/format/format';
import { useWidth } from '../../parts/layout/useWidth';
import { useCursor } from '../../state/time/useCursor';
import styles from './Balls.module.css';
import type { ServiceBalls } from './serviceBalls';

const HEIGHT = 112;
/** The hour is written under every eighth quarter. */
const EVERY = 8;

/** Need by quarter hour against what stands ready for it. */
export function NeedChart({ balls }: { readonly balls: ServiceBalls }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs } = useCursor();
  const { ref, width } = useWidth<HTMLDivElement>();
  const { doorsMs, quarters } = balls;
  const rows = quarters.map(({ startMin, need, ready, short }) => ({
    time: f.time(doorsMs + startMin * MINUTE_MS),
    need: Math.max(0, need - short),
    short,
    ready,
  }));
  const at = rows[Math.floor((atMs - doorsMs) / MINUTE_MS / QUARTER_MIN)]?.time;
  const shortOf = Math.round(quarters.reduce((sum, { short }) => sum + short, 0));
  const words =
    shortOf > 0
      ? t('tonight.chart.short', { count: shortOf })
      : t('tonight.chart.enough', { need: f.count(Math.round(balls.need)) });
  return (
    <div ref={ref} className={styles['chart']} role="img" aria-label={words}>
      <ComposedChart
        width={width}
        height={HEIGHT}
        data={rows}
        margin={{ left: -24, right: 4, top: 4 }}
      >
        <XAxis
          dataKey="time"
          interval={EVERY - 1}
          tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          stroke="var(--line)"
        />
        <YAxis
          tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          stroke="var(--line)"
          domain={[0, 'auto']}
          allowDecimals={false}
          tickCount={3}
        />
        <Bar dataKey="need" stackId="need" fill="var(--primary)" isAnimationActive={false} />
        <Bar dataKey="short" stackId="need" fill="var(--attention)" isAnimationActive={false} />
        <Line
          dataKey="ready"
          type="stepAfter"
          stroke="var(--oat)"
          strokeWidth={3}
          dot={false}
          isAnimationActive={false}
        />
        {at && <ReferenceLine x={at} stroke="var(--attention)" strokeWidth={2} />}
      </ComposedChart>
    </div>
  );
}
