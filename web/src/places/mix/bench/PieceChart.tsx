import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useTranslation } from 'react-i18next';
import { AxisX, AxisY } from '../../../parts/charts/axes';
import { Plot } from '../../../parts/charts/Plot';
import { useFormats } from '../../../parts/format/useFormats';

const HEIGHT = 220;
const TOP = 8;
const BELOW = 24;
const BESIDE = 64;
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
  const limitG = (targetG * tolerancePercent) / 100;
  const first = Math.max(0, grams.length - SHOWN);
  const rows = grams.slice(first).map((g, i) => ({ piece: first + i + 1, offG: g - targetG }));
  const most = Math.ceil(Math.max(limitG * 2, ...rows.map(({ offG }) => Math.abs(offG))));
  const y = scaleLinear([-most, most], [HEIGHT - BELOW, TOP]);
  const signed = (g: number) => (g > 0 ? `+${f.grams(g)}` : f.grams(g));
  return (
    <Plot
      height={HEIGHT}
      label={t('mix.balling.chart', { count: grams.length, tolerance: f.grams(limitG, 1) })}
    >
      {(width) => {
        const end = width - 8;
        const x = scaleLinear(
          [first + 1, Math.max(first + 10, grams.length)],
          [BESIDE + 12, end - 12],
        );
        const path = line<(typeof rows)[number]>()
          .x(({ piece }) => x(piece))
          .y(({ offG }) => y(offG))(rows);
        return (
          <>
            <rect
              x={BESIDE}
              width={end - BESIDE}
              y={y(limitG)}
              height={y(-limitG) - y(limitG)}
              fill="var(--primary)"
              fillOpacity={0.12}
            />
            <AxisY
              x={BESIDE}
              lineTo={end}
              ticks={[-most, -limitG, 0, limitG, most].map((g) => ({ at: y(g), label: signed(g) }))}
            />
            <line x1={BESIDE} x2={end} y1={y(0)} y2={y(0)} stroke="var(--primary)" />
            <path d={path ?? ''} fill="none" stroke="var(--oat)" strokeWidth={2} />
            {rows.map(({ piece, offG }) => (
              <circle key={piece} cx={x(piece)} cy={y(offG)} r={4} fill="var(--oat)" />
            ))}
            <AxisX
              y={HEIGHT - BELOW}
              from={BESIDE}
              to={end}
              ticks={x
                .ticks(5)
                .filter(Number.isInteger)
                .map((piece) => ({ at: x(piece), label: f.count(piece) }))}
            />
          </>
        );
      }}
    </Plot>
  );
}
