import { HOUR_MS } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts';
import { useFormats } from '../../../parts/format/useFormats';
import { usePictureWidth } from '../../../parts/layout/usePictureWidth';
import styles from './Air.module.css';

/** One line of air over time. */
export interface AirLine {
  readonly name: string;
  readonly atMs: readonly number[];
  readonly airC: readonly number[];
  /** What is calculated is drawn thinner and broken. */
  readonly isReckoned?: boolean;
}

const HEIGHT = 260;
/** Points further apart than this are not joined: nobody knows what was between. */
const JOINED_MS = 35 * 60_000;
/** Lines differ by their strokes too, not by colour alone. */
const STROKES = [
  { stroke: 'var(--cold)', strokeDasharray: '' },
  { stroke: 'var(--primary)', strokeDasharray: '8 3' },
  { stroke: 'var(--oat)', strokeDasharray: '2 3' },
  { stroke: 'var(--attention)', strokeDasharray: '10 3 2 3' },
] as const;

/** How cold it was, against the limit; each line is named where it ends. */
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
  const { ref, width } = usePictureWidth<HTMLDivElement>();
  const rows = rowsOf(lines);
  const [first, last] = [rows[0]?.['atMs'] ?? 0, rows.at(-1)?.['atMs'] ?? 0];
  if (rows.length === 0) return <p className="quiet">{t('walkIn.air.none')}</p>;
  const spanH = (last - first) / HOUR_MS;
  const everyH = spanH <= 13 ? 1 : spanH <= 26 ? 3 : 12;
  const stepMs = everyH * HOUR_MS;
  const ticks: number[] = [];
  for (let ms = Math.ceil(first / stepMs) * stepMs; ms <= last; ms += stepMs) ticks.push(ms);
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
      <div ref={ref} role="img" aria-label={words} className={styles['chart']}>
        <LineChart
          width={width}
          height={HEIGHT}
          data={rows}
          margin={{ left: 0, right: 16, top: 8 }}
        >
          <CartesianGrid vertical={false} stroke="var(--line)" />
          <XAxis
            dataKey="atMs"
            type="number"
            domain={[first, last]}
            ticks={ticks}
            tickFormatter={(ms: number) => f.time(ms)}
            tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          />
          <YAxis
            width={72}
            domain={[
              (low: number) => Math.floor(Math.min(low, 2)),
              (high: number) => Math.ceil(Math.max(high, limitC + 1)),
            ]}
            tickFormatter={(c: number) => f.temperature(c, 0)}
            tick={{ fontSize: 14, fill: 'var(--quiet)' }}
          />
          <ReferenceLine
            y={limitC}
            stroke="var(--stop)"
            strokeWidth={1.5}
            strokeDasharray="6 4"
            label={{
              value: t('walkIn.air.limit', { limit: f.temperature(limitC) }),
              position: 'insideBottomLeft',
              fill: 'var(--stop)',
              fontSize: 14,
            }}
          />
          {nowMs !== undefined && nowMs > first && nowMs < last && (
            <ReferenceLine
              x={nowMs}
              stroke="var(--ink)"
              label={{
                value: t('shell.now'),
                fontSize: 14,
                fill: 'var(--ink)',
                position: 'insideTopLeft',
              }}
            />
          )}
          {lines.map(({ name, isReckoned }, i) => (
            <Line
              key={name}
              dataKey={`line${i}`}
              dot={false}
              strokeWidth={isReckoned ? 1.5 : 2.5}
              isAnimationActive={false}
              {...STROKES[i % 4]}
            />
          ))}
        </LineChart>
      </div>
    </div>
  );
}

type Row = Readonly<Record<string, number | null>> & { readonly atMs: number };

/** All lines as rows of one table, with an empty row wherever a line has a gap. */
function rowsOf(lines: readonly AirLine[]): Row[] {
  const rows = new Map<number, Record<string, number | null> & { atMs: number }>();
  lines.forEach(({ atMs, airC }, i) => {
    atMs.forEach((ms, at) => {
      const row = rows.get(ms) ?? { atMs: ms };
      row[`line${i}`] = airC[at] ?? null;
      rows.set(ms, row);
      const next = atMs[at + 1];
      if (next !== undefined && next - ms > JOINED_MS) {
        const gap = rows.get(ms + 1) ?? { atMs: ms + 1 };
        gap[`line${i}`] = null;
        rows.set(ms + 1, gap);
      }
    });
  });
  const sorted = [...rows.values()].sort((a, b) => a.atMs - b.atMs);
  return filled(sorted, lines.length);
}

/** Lines of different moments: each goes straight on over the moments of the others. */
function filled(rows: (Record<string, number | null> & { atMs: number })[], lines: number): Row[] {
  for (let i = 0; i < lines; i += 1) {
    const key = `line${i}`;
    let before = -1;
    rows.forEach((row, at) => {
      const value = row[key];
      if (value === undefined) return;
      const from = rows[before];
      const start = from?.[key];
      if (from && value !== null && start !== null && start !== undefined) {
        for (let j = before + 1; j < at; j += 1) {
          const between = rows[j];
          if (!between) continue;
          const share = (between.atMs - from.atMs) / (row.atMs - from.atMs);
          between[key] = start + (value - start) * share;
        }
      }
      before = at;
    });
  }
  return rows;
}
