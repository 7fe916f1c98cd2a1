import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import type { Forecast, ForecastAnswer, Product, ProductCount, Service } from '@calm/contract';
import { demandQuantile, readyPoint } from '@calm/core';
import { useId, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import { WhyThis } from '../../parts/WhyThis';
import styles from './Demand.module.css';
import { sayError } from './sayError';
import { useCount } from './useCount';

/** What stands behind one number of the week: what is expected, why, and what more or fewer would mean. */
export function CountFacts({
  service,
  product,
  count,
  forecast,
  answer,
}: {
  readonly service: Service;
  readonly product: Product;
  readonly count: ProductCount;
  readonly forecast: Forecast;
  readonly answer: ForecastAnswer;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const state = useCount(service, product, count);
  const series = answer.series.find(
    (each) => each.service === service.name && each.productId === product.id,
  );
  const round = (balls: number) => f.count(Math.round(balls));
  return (
    <>
      <h2>
        {product.name}, {service.name} {f.date(service.date)}
      </h2>
      <p>
        {t('demand.facts.expected', {
          mean: round(forecast.mean),
          from: round(forecast.p10),
          to: round(forecast.p90),
        })}
      </p>
      <p className={styles['choices']}>
        {forecast.ready !== state.shown && (
          <Button variant="outlined" size="small" onClick={() => state.save(forecast.ready)}>
            {t('demand.facts.have', {
              ready: f.count(forecast.ready),
              enough: f.percent(answer.enoughPercent, 0),
            })}
          </Button>
        )}
        {count.origin === 'chosen' && (
          <Button variant="outlined" size="small" onClick={state.backToUsual}>
            {t('demand.facts.usual', { count: f.count(count.usual) })}
          </Button>
        )}
      </p>
      <ReadyCurve
        key={`${forecast.date}${forecast.patternId}${forecast.productId}`}
        forecast={forecast}
        balls={state.shown}
        onChoose={state.save}
      />
      <WhyThis about={t('demand.facts.about')}>
        {forecast.parts.map((part) => (
          <p key={part.kind}>
            {t(`demand.part.${part.kind}`, {
              ...part,
              balls: 'balls' in part ? round(part.balls) : '',
              factor: 'factor' in part ? f.percent(100 * part.factor, 0) : '',
              weekday: f.weekday(Date.parse(service.startsAt)),
            })}
          </p>
        ))}
        <p>{series && sayError(t, f, series.kind, series.error, series.naive)}</p>
        <p>{t('demand.facts.source')}</p>
      </WhyThis>
    </>
  );
}

const WIDTH = 280;
const HEIGHT = 120;
const FOOT = 20;
const POINTS = 60;

/** How often some number of balls is enough; the number can be dragged along it. */
function ReadyCurve({
  forecast,
  balls,
  onChoose,
}: {
  readonly forecast: Forecast;
  readonly balls: number;
  readonly onChoose: (balls: number) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const id = useId();
  const [dragged, setDragged] = useState<number | null>(null);
  const { mean, cv } = forecast;
  const [least, most] = useMemo(
    () => [
      Math.floor(demandQuantile(mean, { cv }, 0.005)),
      Math.ceil(demandQuantile(mean, { cv }, 0.998)) + 1,
    ],
    [mean, cv],
  );
  const at = Math.min(most, Math.max(least, dragged ?? balls));
  const point = readyPoint(mean, { cv }, at);
  const x = (value: number) => ((value - least) / (most - least)) * WIDTH;
  const y = (share: number) => (1 - share) * (HEIGHT - FOOT - 8) + 8;
  const curve = useMemo(() => {
    const step = (most - least) / POINTS;
    return Array.from({ length: POINTS + 1 }, (_, i) => {
      const value = least + i * step;
      const { enough } = readyPoint(mean, { cv }, value);
      return `${((value - least) / (most - least)) * WIDTH},${(1 - enough) * (HEIGHT - FOOT - 8) + 8}`;
    }).join(' ');
  }, [mean, cv, least, most]);
  return (
    <figure className={styles['curve']}>
      <figcaption id={id}>{t('demand.curve.title')}</figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
        <line className={styles['grid']} x1={0} x2={WIDTH} y1={y(0.8)} y2={y(0.8)} />
        <text x={0} y={y(0.8) - 4}>
          {f.percent(80, 0)}
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
          setDragged(null);
          if (to !== balls) onChoose(to as number);
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
