import { memo } from 'react';
import { scaleLinear } from 'd3-scale';
import { AxisX, AxisY } from '../../../parts/charts/axes';
import type { Way } from '../../../workers/engine/engineAnswers';
import { coursePath, type CourseRow } from './courseReader';
import styles from './SimulationPicture.module.css';

/** Height of one chart without its hours, px. */
export const CHART = 96;
const HEAD = 8;
/** The line that a chart stands on. */
const LINE = 1;
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
 * One line over time, with the band it should be in. The scales stay as they are while a lever is pulled; only the
 * lines follow at every frame.
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
  const bottom = CHART - LINE;
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
  const bottom = CHART - LINE;
  const right = frame.width - frame.right;
  const y = scaleLinear([from, to], [bottom, HEAD]).clamp(true);
  const x = scaleLinear([frame.from, frame.to], [frame.left, right]);
  const [high, low] = [y(bandTo), y(bandFrom)];
  return (
    <svg width={frame.width} height={CHART + (formatHour ? AXIS - LINE : 0)} aria-hidden="true">
      <AxisY
        x={frame.left}
        lineTo={right}
        ticks={yTicks.map((value) => ({ at: y(value), label: say(value) }))}
      />
      <rect
        x={frame.left}
        width={Math.max(0, right - frame.left)}
        y={high}
        height={low - high}
        fill={colour}
        fillOpacity={0.1}
      />
      <line
        x1={frame.left}
        x2={right}
        y1={low}
        y2={low}
        stroke={colour}
        strokeOpacity={0.5}
        strokeDasharray="2 4"
      />
      <AxisX
        y={bottom}
        from={frame.left}
        to={right}
        ticks={
          formatHour ? frame.ticks.map((hour) => ({ at: x(hour), label: formatHour(hour) })) : []
        }
      />
    </svg>
  );
});
