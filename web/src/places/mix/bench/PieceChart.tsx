import { useTranslation } from 'react-i18next';
import { Line, LineChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts';
import { useFormats } from '../../../parts/format/format';
import { useWidth } from '../../../parts/layout/useWidth';

const HEIGHT = 220;
/** Pieces that the chart shows. */
const SHOWN = 40;

/** The last pieces in the order they were weighed, about their target, with the tolerance. */
export function PieceChart({
  grams,
  targetG,
  tolerancePercent,
}: {
  readonly grams: readonly number[];
  readonly targetG: number;
  readonly tolerancePercent: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { ref, width } = useWidth<HTMLDivElement>();
  const limitG = (targetG * tolerancePercent) / 100;
  const first = Math.max(0, grams.length - SHOWN);
  const rows = grams.slice(first).map((g, i) => ({ piece: first + i + 1, off: g - targetG }));
  const most = Math.ceil(Math.max(limitG * 2, ...rows.map(({ off }) => Math.abs(off))));
  return (
    <div
      ref={ref}
      role="img"
      aria-label={t('mix.balling.chart', {
        count: grams.length,
        tolerance: f.grams(limitG, 1),
      })}
    >
      <LineChart width={width} height={HEIGHT} data={rows} margin={{ left: 0, right: 8, top: 8 }}>
        <ReferenceArea y1={-limitG} y2={limitG} fill="var(--primary)" fillOpacity={0.12} />
        <ReferenceLine y={0} stroke="var(--primary)" />
        <XAxis
          dataKey="piece"
          type="number"
          domain={[first + 1, Math.max(first + 10, grams.length)]}
          allowDecimals={false}
          tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          stroke="var(--line)"
        />
        <YAxis
          domain={[-most, most]}
          tickFormatter={(off: number) => (off > 0 ? `+${off} g` : `${off} g`)}
          tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          stroke="var(--line)"
        />
        <Line
          dataKey="off"
          stroke="var(--oat)"
          strokeWidth={2}
          dot={{ r: 4, fill: 'var(--oat)' }}
          isAnimationActive={false}
        />
      </LineChart>
    </div>
  );
}
