import styles from './axes.module.css';

/** A place on an axis, and what it says there. */
export interface Tick {
  readonly at: number;
  readonly label: string;
}

/** Numbers to the left of a plot, each with a hairline across it when there is a width for one. */
export function AxisY({
  x,
  ticks,
  lineTo = null,
}: {
  /** Right end of the numbers, px. */
  readonly x: number;
  readonly ticks: readonly Tick[];
  /** Where hairlines end, px; null draws none. */
  readonly lineTo?: number | null;
}) {
  return (
    <g className={styles['axis']}>
      {ticks.map(({ at, label }) => (
        <g key={label} transform={`translate(0 ${at})`}>
          {lineTo !== null && <line x1={x} x2={lineTo} />}
          <text x={x - 6} dy="0.35em" textAnchor="end">
            {label}
          </text>
        </g>
      ))}
    </g>
  );
}

/** Words under a plot, and the line that it stands on. */
export function AxisX({
  y,
  from,
  to,
  ticks,
}: {
  /** Where the plot ends, px. */
  readonly y: number;
  readonly from: number;
  readonly to: number;
  readonly ticks: readonly Tick[];
}) {
  return (
    <g className={styles['axis']} transform={`translate(0 ${y})`}>
      <line x1={from} x2={to} />
      {ticks.map(({ at, label }) => (
        <text key={`${at} ${label}`} x={at} y={18} textAnchor="middle">
          {label}
        </text>
      ))}
    </g>
  );
}
