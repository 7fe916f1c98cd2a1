import {
  EVEN_ODDS_AGE,
  at,
  type Course,
  type ReadyWindow,
  type Target,
  type WindowSpread,
} from '@calm/core';
import { useId } from 'react';
import styles from './SwellingRibbon.module.css';
import { tintOf } from './tint';

/** One dough's way and what is needed to read it. */
export interface RibbonLot {
  readonly course: Course;
  readonly target: Target;
  readonly window: ReadyWindow;
  readonly spread: WindowSpread | null;
}

/** A piece of work on the ribbon. */
export interface RibbonBead {
  readonly hour: number;
  readonly label: string;
  readonly title: string;
}

/** A part of a dough's way, hours from the mixer. */
export interface RibbonPart {
  readonly fromHour: number;
  readonly untilHour: number;
}
const WHOLE: RibbonPart = { fromHour: -Infinity, untilHour: Infinity };

/** Half the thickness of dough that has not risen, and of dough at the height of its band, px of 60. */
const THIN = 4;
const FULL = 22;
const BRACKET = 16;
const PX_PER_POINT = 3;
const STOP_EVERY_PX = 12;

/**
 * The one picture of a lot: a ribbon as thick as the dough has risen, thin off the mixer, knocked back
 * at shaping, swelling to its window, slumping after. Its tint is the core's temperature; the bracket
 * above it is the window, with the peak as a notch and soft ends for what is not sure.
 */
export function SwellingRibbon({
  lot,
  ghost,
  toX,
  y,
  height,
  beads = [],
  part = WHOLE,
  label,
}: {
  readonly lot: RibbonLot;
  /** Another way of the same dough, drawn as an outline behind. */
  readonly ghost?: RibbonLot | null;
  /** Places an hour from the mixer, px. */
  readonly toX: (hour: number) => number;
  readonly y: number;
  readonly height: number;
  readonly beads?: readonly RibbonBead[];
  /** Hours between which it is drawn. */
  readonly part?: RibbonPart;
  readonly label: string;
}) {
  const tint = useId();
  const points = pointsOf(lot, toX, part);
  const middle = ribbonMiddle(y, height);
  const scale = (height - BRACKET) / 60;
  return (
    <g role="img" aria-label={label}>
      <defs>
        <linearGradient
          id={tint}
          gradientUnits="userSpaceOnUse"
          x1={points[0]?.x ?? 0}
          x2={points.at(-1)?.x ?? 1}
        >
          {stopsOf(points).map(({ share, coreTempC }) => (
            <stop key={share} offset={share} style={{ stopColor: tintOf(coreTempC) }} />
          ))}
        </linearGradient>
      </defs>
      {ghost && (
        <path className={styles['ghost']} d={outline(pointsOf(ghost, toX, part), middle, scale)} />
      )}
      <path
        className={styles['ribbon']}
        d={outline(points, middle, scale)}
        style={{ fill: `url(#${tint})` }}
      />
      {lot.window.kind === 'ready' && (
        <Bracket window={lot.window} spread={lot.spread} toX={toX} y={y + 2} />
      )}
      {beads.map((bead) => (
        <g key={bead.hour + bead.label} className={styles['bead']}>
          <circle cx={toX(bead.hour)} cy={middle} r={5} />
          <text x={toX(bead.hour)} y={middle + height / 2} textAnchor="middle">
            {bead.label}
          </text>
          <title>{bead.title}</title>
        </g>
      ))}
    </g>
  );
}

interface RibbonPoint {
  readonly x: number;
  /** Half the thickness above and below the middle, px of 60. */
  readonly up: number;
  readonly down: number;
  readonly coreTempC: number;
}

/** Where the middle of a ribbon lies. */
export const ribbonMiddle = (y: number, height: number): number =>
  y + BRACKET + (height - BRACKET) / 2;

/** One point every few pixels, and every point where a stage begins: rise may jump there. */
function pointsOf(
  { course, target }: RibbonLot,
  toX: (hour: number) => number,
  { fromHour, untilHour }: RibbonPart,
) {
  const points: RibbonPoint[] = [];
  let lastX = -Infinity;
  for (let i = 0; i < course.length; i += 1) {
    const hour = at(course.hours, i);
    if (hour < fromHour || hour > untilHour) continue;
    const x = toX(hour);
    const stage = at(course.stages, i);
    const isEdge =
      i === 0 ||
      i === course.length - 1 ||
      at(course.stages, i - 1) !== stage ||
      at(course.stages, i + 1) !== stage;
    if (!isEdge && x - lastX < PX_PER_POINT) continue;
    lastX = x;
    const half = halfOf(at(course.volumes, i), target);
    const slump = slumpOf(course, i, target);
    const coreTempC = at(course.coreTempsC, i);
    points.push({ x, up: half * (1 - slump), down: half * (1 + slump / 2), coreTempC });
  }
  return points;
}

/** How far dough has slumped, 0–0.6: as it passes its band, or as it holds less often than not. */
function slumpOf(course: Course, i: number, target: Target): number {
  const overRisen = 2.4 * (at(course.volumes, i) / target.riseMax - 1);
  const wornOut = at(course.ages, i) / EVEN_ODDS_AGE - 1;
  return Math.min(0.6, Math.max(0, overRisen, wornOut));
}

function halfOf(volume: number, { riseMax }: Target): number {
  const share = (volume - 1) / (riseMax - 1);
  return THIN + (FULL - THIN) * Math.min(1.25, Math.max(0, share));
}

function outline(points: readonly RibbonPoint[], middle: number, scale: number): string {
  const top = points.map(({ x, up }) => `${x.toFixed(1)},${(middle - up * scale).toFixed(1)}`);
  const bottom = points
    .toReversed()
    .map(({ x, down }) => `${x.toFixed(1)},${(middle + down * scale).toFixed(1)}`);
  return points.length === 0 ? '' : `M${top.join('L')}L${bottom.join('L')}Z`;
}

function stopsOf(points: readonly RibbonPoint[]): { share: number; coreTempC: number }[] {
  const [first, last] = [points[0]?.x ?? 0, points.at(-1)?.x ?? 1];
  let lastX = -Infinity;
  return points
    .filter(({ x }, i) => {
      if (i > 0 && i < points.length - 1 && x - lastX < STOP_EVERY_PX) return false;
      lastX = x;
      return true;
    })
    .map(({ x, coreTempC }) => ({ share: (x - first) / Math.max(1, last - first), coreTempC }));
}

function Bracket({
  window,
  spread,
  toX,
  y,
}: {
  readonly window: Extract<ReadyWindow, { kind: 'ready' }>;
  readonly spread: WindowSpread | null;
  readonly toX: (hour: number) => number;
  readonly y: number;
}) {
  const [from, peak, to] = [window.earliestHour, window.peakHour, window.latestHour].map(toX) as [
    number,
    number,
    number,
  ];
  return (
    <g className={styles['bracket']}>
      {spread && (
        <>
          <path
            className={styles['soft']}
            d={`M${toX(spread.earliestHour.p10)},${y}H${toX(spread.earliestHour.p90)}`}
          />
          <path
            className={styles['soft']}
            d={`M${toX(spread.latestHour.p10)},${y}H${toX(spread.latestHour.p90)}`}
          />
        </>
      )}
      <path d={`M${from},${y + 8}V${y}H${to}V${y + 8}`} />
      <path
        className={styles['notch']}
        d={`M${peak - 5},${y}L${peak},${y + 8}L${peak + 5},${y}Z`}
      />
    </g>
  );
}
