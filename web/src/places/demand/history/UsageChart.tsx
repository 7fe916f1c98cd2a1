import type { Product, Usage } from '@calm/contract';
import { QUARTER_MIN } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Bar, BarChart, CartesianGrid, XAxis, YAxis } from 'recharts';
import { useFormats } from '../../../parts/format/useFormats';
import { usePictureWidth } from '../../../parts/layout/usePictureWidth';
import styles from './History.module.css';

const HEIGHT = 180;
const EVERY = 4;

/** How the balls of one product go through a kind of service, by quarter hours. */
export function UsageChart({
  usage,
  product,
  startMin,
}: {
  readonly usage: Usage;
  readonly product: Product;
  /** When such a service begins, minutes from midnight. */
  readonly startMin: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { ref, width } = usePictureWidth<HTMLElement>();
  const rows = usage.curve.map((share, quarter) => ({
    time: f.timeOfDay(startMin + quarter * QUARTER_MIN),
    percent: 100 * share,
  }));
  const busiest = rows.reduce(
    (a, b) => (b.percent > a.percent ? b : a),
    rows[0] ?? { time: '', percent: 0 },
  );
  const words = t('demand.usage.busiest', {
    product: product.name,
    time: busiest.time,
    share: f.percent(busiest.percent, 0),
  });
  return (
    <figure ref={ref} className={styles['usage']}>
      <figcaption>
        <b>{product.name}</b>{' '}
        <span className="quiet">
          {usage.balls > 0
            ? t('demand.usage.from', { count: usage.balls })
            : t('demand.usage.even')}
        </span>
      </figcaption>
      <div role="img" aria-label={words}>
        <BarChart width={width} height={HEIGHT} data={rows} margin={{ left: -12, right: 8 }}>
          <CartesianGrid vertical={false} stroke="var(--line)" />
          <XAxis
            dataKey="time"
            interval={EVERY - 1}
            tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          />
          <YAxis
            tickFormatter={(percent: number) => f.percent(percent, 0)}
            tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          />
          <Bar dataKey="percent" fill="var(--primary)" isAnimationActive={false} />
        </BarChart>
      </div>
      <p className="quiet small">{words}</p>
    </figure>
  );
}
