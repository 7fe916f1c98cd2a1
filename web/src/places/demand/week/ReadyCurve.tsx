import Slider from '@mui/material/Slider';
import type { Forecast } from '@calm/contract';
import { demandQuantile, readyPoint } from '@calm/core';
import { useId, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Demand.module.css';

const WIDTH = 280;
const HEIGHT = 120;
const FOOT = 20;
const POINTS = 60;
/** Keys pressed within this time choose one number together, ms. */
const SETTLE_MS = 300;

/** How often some number of balls is enough; the number can be dragged along it. */
export function ReadyCurve({
  forecast,
  enoughPercent,
  balls,
  onChoose,
}: {
  readonly forecast: Forecast;
  /** How often the house wants enough: marked across the curve. */
  readonly enoughPercent: number;
  readonly balls: number;
  readonly onChoose: (balls: number) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const id = useId();
  const wanted = enoughPercent / 100;
  const settling = useRef(0);
  const [dragged, setDragged] = useState<number | null>(null);
  const { cv, booked } = forecast;
  // What is booked comes for certain: only the rest of it scatters.
  const mean = forecast.mean - booked;
  const [least, most] = useMemo(
    () => [
      booked + Math.floor(demandQuantile(mean, { cv }, 0.005)),
      booked + Math.ceil(demandQuantile(mean, { cv }, 0.998)) + 1,
    ],
    [mean, cv, booked],
  );
  const at = Math.min(most, Math.max(least, dragged ?? balls));
  const point = readyPoint(mean, { cv }, at - booked);
  const x = (value: number) => ((value - least) / (most - least)) * WIDTH;
  const y = (share: number) => (1 - share) * (HEIGHT - FOOT - 8) + 8;
  const curve = useMemo(() => {
    const step = (most - least) / POINTS;
    return Array.from({ length: POINTS + 1 }, (_, i) => {
      const value = least + i * step;
      const { enough } = readyPoint(mean, { cv }, value - booked);
      return `${((value - least) / (most - least)) * WIDTH},${(1 - enough) * (HEIGHT - FOOT - 8) + 8}`;
    }).join(' ');
  }, [mean, cv, booked, least, most]);
  return (
    <figure className={styles['curve']}>
      <figcaption id={id}>{t('demand.curve.title')}</figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
        <line className={styles['grid']} x1={0} x2={WIDTH} y1={y(wanted)} y2={y(wanted)} />
        <text x={0} y={y(wanted) - 4}>
          {f.percent(enoughPercent, 0)}
        </text>
        <polyline points={curve} />
        <line className={styles['drop']} x1={x(at)} x2={x(at)} y1={y(point.enough)} y2={y(0)} />
        <circle cx={x(at)} cy={y(point.enough)} r={6} />
        <text x={0} y={HEIGHT - 4}>
          {f.count(least)}
        </text>
        <text x={WIDTH} y={HEIGHT - 4} textAnchor="end">
          {f.count(most)}
        </text>
      </svg>
      <Slider
        size="small"
        value={at}
        min={least}
        max={most}
        step={1}
        aria-labelledby={id}
        getAriaValueText={(value) => f.count(value)}
        onChange={(_event, to) => setDragged(to as number)}
        onChangeCommitted={(_event, to) => {
          // Keys come one by one: what they come to is chosen once.
          clearTimeout(settling.current);
          settling.current = window.setTimeout(() => {
            setDragged(null);
            if (to !== balls) onChoose(to as number);
          }, SETTLE_MS);
        }}
      />
      <p aria-live="polite">
        {t('demand.curve.says', {
          balls: f.count(at),
          enough: f.percent(100 * point.enough, 0),
          short: f.count(Math.round(point.shortBalls)),
          left: f.count(Math.round(point.leftBalls)),
        })}
      </p>
    </figure>
  );
}
