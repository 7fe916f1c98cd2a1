import { memo } from 'react';
import {
  CartesianGrid,
  LineChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  XAxis,
  YAxis,
} from 'recharts';
import type { Way } from '../../../workers/engine/engineAnswers';
import { coursePath, type CourseRow } from './courseReader';
import styles from './SimulationPicture.module.css';

/** Height of one chart without its hours, px. */
export const CHART = 96;
const HEAD = 8;
/** Recharts leaves a pixel for a hidden axis. */
const HIDDEN_AXIS = 1;
const AXIS = 22;

/** Where the charts lie over time. */
export interface ChartFrame {
  /** Hours from the mixer at both ends. */
  readonly from: number;
  readonly to: number;
  readonly width: number;
  /** Left of the plot for its numbers, and right of it, px. */
  readonly left: number;
  readonly right: number;
  /** Marked hours. */
  readonly ticks: number[];
  /** Both ends as the chart library's rows. */
  readonly ends: { hour: number; value: number }[];
}

interface ScaleProps {
  readonly frame: ChartFrame;
  readonly colour: string;
  /** Ends of the axis. */
  readonly from: number;
  readonly to: number;
  readonly yTicks: number[];
  readonly bandFrom: number;
  readonly bandTo: number;
  readonly say: (value: number) => string;
  /** Only the lowest chart carries the hours. */
  readonly formatHour?: (hour: number) => string;
}

/**
 * One line over time, with the band it should be in. The chart library draws the scales and stays as it
 * is while a lever is pulled; the lines, which follow at every frame, are paths of our own.
 */
export function SimulationChart({
  way,
  planned,
  toX,
  name,
  row,
  ...scale
}: ScaleProps & {
  readonly way: Way;
  readonly planned: Way | null;
  readonly toX: (hour: number) => number;
  readonly name: string;
  readonly row: CourseRow;
}) {
  const { frame, from, to, colour } = scale;
  const bottom = CHART - HIDDEN_AXIS;
  const toY = (value: number) => bottom - ((value - from) / (to - from)) * (bottom - HEAD);
  return (
    <figure className={styles['chart']}>
      <figcaption>{name}</figcaption>
      <Scale {...scale} />
      <svg
        className={styles['lines']}
        x={frame.left}
        width={frame.width - frame.left - frame.right}
        height={bottom - HEAD}
        viewBox={`${frame.left} ${HEAD} ${frame.width - frame.left - frame.right} ${bottom - HEAD}`}
      >
        {planned && (
          <path className={styles['planned']} d={coursePath(planned.course, row, toX, toY)} />
        )}
        <path stroke={colour} strokeWidth={2} d={coursePath(way.course, row, toX, toY)} />
      </svg>
    </figure>
  );
}

const Scale = memo(function Scale({
  frame,
  colour,
  from,
  to,
  yTicks,
  bandFrom,
  bandTo,
  say,
  formatHour,
}: ScaleProps) {
  return (
    <LineChart
      width={frame.width}
      height={CHART + (formatHour ? AXIS - HIDDEN_AXIS : 0)}
      data={frame.ends}
      margin={{ top: HEAD, right: frame.right, bottom: 0, left: 0 }}
      accessibilityLayer={false}
    >
      <CartesianGrid vertical={false} stroke="var(--line)" />
      <XAxis
        dataKey="hour"
        type="number"
        domain={[frame.from, frame.to]}
        allowDataOverflow
        ticks={frame.ticks}
        height={formatHour ? AXIS : HIDDEN_AXIS}
        tick={formatHour ? { fontSize: 14, fill: 'var(--quiet)' } : false}
        tickLine={false}
        axisLine={{ stroke: 'var(--line)' }}
        tickFormatter={formatHour ?? String}
      />
      <YAxis
        dataKey="value"
        width={frame.left}
        domain={[from, to]}
        ticks={yTicks}
        interval={0}
        allowDataOverflow
        tick={{ fontSize: 14, fill: 'var(--quiet)' }}
        tickLine={false}
        axisLine={false}
        tickFormatter={say}
      />
      <ReferenceArea
        y1={Math.max(from, bandFrom)}
        y2={Math.min(to, bandTo)}
        fill={colour}
        fillOpacity={0.1}
      />
      <ReferenceLine y={bandFrom} stroke={colour} strokeOpacity={0.5} strokeDasharray="2 4" />
      <Line dataKey="value" hide />
    </LineChart>
  );
});
