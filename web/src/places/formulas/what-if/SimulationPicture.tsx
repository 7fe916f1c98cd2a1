import { HOUR_MS, openingOdds, stateOf } from '@calm/core';
import { useMemo, useState, type PointerEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { SwellingRibbon } from '../../../parts/lots/SwellingRibbon';
import { usePictureWidth } from '../../../parts/layout/usePictureWidth';
import type { Way } from '../../../workers/engine/engineAnswers';
import { stageHours, type PlannedDough, type WhatIf } from './whatIf';
import { courseReader } from './courseReader';
import { formatOdds } from '../../../parts/format/odds';
import { CHART, SimulationChart, type ChartFrame } from './SimulationChart';
import styles from './SimulationPicture.module.css';

const LEFT = 52;
const RIGHT = 12;
const HEAD = 26;
const RIBBON = 104;
const AXIS = 22;
const LOW_RISES = [1.5, 2];
const RISES = [2, 3];
const TENS = [10, 20, 30];

/** Hours that the picture shows, from the mixer. */
export interface HourRange {
  readonly from: number;
  readonly to: number;
}

/** The ribbon, and below it the two clocks and the core's temperature, on one line of time. */
export function SimulationPicture({
  dough,
  whatIf,
  way,
  planned,
  range,
  isRibbonOnly = false,
}: {
  readonly dough: PlannedDough;
  readonly whatIf: WhatIf;
  readonly way: Way;
  /** As the house makes it; null while that is what is shown. */
  readonly planned: Way | null;
  readonly range: HourRange;
  /** Without the charts beneath. */
  readonly isRibbonOnly?: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { ref, width } = usePictureWidth<HTMLDivElement>();
  const [pointed, setPointed] = useState<number | null>(null);
  const plot = Math.max(1, width - LEFT - RIGHT);
  const toX = (hour: number) => LEFT + ((hour - range.from) / (range.to - range.from)) * plot;
  const hourOf = (ms: number) => (ms - dough.mixedMs) / HOUR_MS;
  const [doors, close] = [hourOf(dough.doorsMs), hourOf(dough.closeMs)];
  const height = HEAD + RIBBON + (isRibbonOnly ? 0 : 3 * CHART) + AXIS;
  const readHour = pointed ?? doors;
  const point = (event: PointerEvent<HTMLDivElement>) => {
    const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const hour = range.from + ((x - LEFT) / plot) * (range.to - range.from);
    setPointed(hour >= range.from && hour <= range.to ? hour : null);
  };
  const say = useAxisWords(dough.mixedMs);
  const frame = useMemo(
    () => ({
      ...range,
      width,
      left: LEFT,
      right: RIGHT,
      ticks: ticksOf(range, dough.mixedMs, f.hour),
    }),
    [range, width, dough.mixedMs, f],
  );

  return (
    <div>
      <Reading dough={dough} way={way} hour={readHour} isPointed={pointed !== null} />
      <div
        ref={ref}
        className={styles['picture']}
        onPointerMove={point}
        onPointerLeave={() => setPointed(null)}
      >
        {width > 0 && (
          <>
            <svg width={width} height={height} className={styles['under']}>
              <clipPath id="way-time">
                <rect x={LEFT} y={0} width={plot} height={height} />
              </clipPath>
              <g clipPath="url(#way-time)">
                <rect
                  className={styles['service']}
                  x={toX(doors)}
                  width={Math.max(0, toX(close) - toX(doors))}
                  y={HEAD}
                  height={height - HEAD - AXIS}
                />
                <text className={styles['serviceName']} x={toX(doors) + 4} y={HEAD - 8}>
                  {t('formulas.whatIf.service')}
                </text>
                <Stages {...{ dough, whatIf, toX }} bottom={height - AXIS} />
                <SwellingRibbon
                  lot={way}
                  ghost={planned}
                  toX={toX}
                  y={HEAD}
                  height={RIBBON}
                  label={t('formulas.whatIf.ribbon', { product: dough.product.name })}
                />
              </g>
            </svg>
            {isRibbonOnly ? (
              <Hours frame={frame} toX={toX} say={say.hour} />
            ) : (
              <Charts {...{ way, planned, frame, toX, say }} />
            )}
            <svg width={width} height={height} className={styles['over']} aria-hidden="true">
              {readHour >= range.from && readHour <= range.to && (
                <line
                  className={styles['reading']}
                  x1={toX(readHour)}
                  x2={toX(readHour)}
                  y1={HEAD}
                  y2={height - AXIS}
                />
              )}
            </svg>
          </>
        )}
      </div>
    </div>
  );
}

type ToX = (hour: number) => number;

/** How the axes' numbers are written. */
function useAxisWords(mixedMs: number) {
  const f = useFormats();
  return useMemo(
    () => ({
      rise: (value: number) => f.times(value, value % 1 === 0 ? 0 : 1),
      ripe: (value: number) => f.hours(value, 0),
      core: (value: number) => f.temperature(value, 0),
      hour: (hour: number) => formatTick(f, mixedMs + hour * HOUR_MS),
    }),
    [f, mixedMs],
  );
}

/** Where each stage begins, with its name. */
function Stages({
  dough,
  whatIf,
  toX,
  bottom,
}: {
  readonly dough: PlannedDough;
  readonly whatIf: WhatIf;
  readonly toX: ToX;
  readonly bottom: number;
}) {
  const { t } = useTranslation();
  const starts = stageHours(dough, whatIf);
  return (
    <>
      {starts.slice(0, -1).map((hour, i) => (
        <g key={String(i)}>
          <line className={styles['edge']} x1={toX(hour)} x2={toX(hour)} y1={HEAD} y2={bottom} />
          <StageName
            name={t(`rest.${dough.way.stages[i]?.rest.key ?? 'rest'}`)}
            from={Math.max(LEFT, toX(hour))}
            to={toX(starts[i + 1] ?? hour)}
          />
        </g>
      ))}
    </>
  );
}

/** Rise, ripeness and the core's temperature. */
function Charts({
  way,
  planned,
  frame,
  toX,
  say,
}: {
  readonly way: Way;
  readonly planned: Way | null;
  readonly frame: ChartFrame;
  readonly toX: ToX;
  readonly say: ReturnType<typeof useAxisWords>;
}) {
  const { t } = useTranslation();
  const { target, mostMaturityH } = way;
  return (
    <div className={styles['charts']} aria-hidden="true">
      <SimulationChart
        {...{ way, planned, frame, toX }}
        name={t('formulas.whatIf.rise')}
        row="volumes"
        colour="var(--primary)"
        from={1}
        to={target.riseMax * 1.25}
        yTicks={target.riseMax < 1.7 ? LOW_RISES : RISES}
        bandFrom={target.riseMin}
        bandTo={target.riseMax}
        say={say.rise}
      />
      <SimulationChart
        {...{ way, planned, frame, toX }}
        name={t('formulas.whatIf.ripe')}
        row="maturitiesH"
        colour="var(--ink)"
        from={0}
        to={Math.max(30, Math.ceil(mostMaturityH / 10) * 10 + 5)}
        yTicks={TENS}
        bandFrom={target.maturityMinH}
        bandTo={mostMaturityH}
        say={say.ripe}
      />
      <SimulationChart
        {...{ way, planned, frame, toX }}
        name={t('formulas.whatIf.core')}
        row="coreTempsC"
        colour="var(--cold)"
        from={0}
        to={36}
        yTicks={TENS}
        bandFrom={target.openTempC}
        bandTo={36}
        say={say.core}
        formatHour={say.hour}
      />
    </div>
  );
}

/** The hours under a ribbon that stands alone. */
function Hours({
  frame,
  toX,
  say,
}: {
  readonly frame: ChartFrame;
  readonly toX: ToX;
  readonly say: (hour: number) => string;
}) {
  return (
    <svg width={frame.width} height={AXIS} className={styles['hours']} aria-hidden="true">
      {frame.ticks.map((hour) => (
        <text key={hour} className={styles['stage']} x={toX(hour)} y={AXIS - 6} textAnchor="middle">
          {say(hour)}
        </text>
      ))}
    </svg>
  );
}

const PX_PER_LETTER = 8;

/** A stage's name over its stretch, where there is room for it. */
function StageName({
  name,
  from,
  to,
}: {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}) {
  if (to - from < name.length * PX_PER_LETTER + 8) return null;
  return (
    <text className={styles['stage']} x={from + 4} y={HEAD - 8}>
      {name}
    </text>
  );
}

/** Six-hourly marks by the house's clock; three-hourly or finer when fewer hours are shown. */
function ticksOf(range: HourRange, mixedMs: number, hourOfDay: (ms: number) => number): number[] {
  const shown = range.to - range.from;
  const every = shown > 40 ? 12 : shown > 24 ? 6 : 3;
  const first = Math.ceil((mixedMs + range.from * HOUR_MS) / HOUR_MS) * HOUR_MS;
  const hours = Array.from({ length: Math.floor(shown) + 1 }, (_, i) => first + i * HOUR_MS);
  return hours
    .filter((ms) => hourOfDay(ms) % every === 0)
    .map((ms) => (ms - mixedMs) / HOUR_MS)
    .filter((hour) => hour <= range.to);
}

function formatTick(f: ReturnType<typeof useFormats>, ms: number): string {
  return f.hour(ms) === 0 ? f.weekday(ms) : f.time(ms);
}

/** The dough at the pointed hour, or at doors. */
function Reading({
  dough,
  way,
  hour,
  isPointed,
}: {
  readonly dough: PlannedDough;
  readonly way: Way;
  readonly hour: number;
  readonly isPointed: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const here = courseReader(way.course)(hour);
  const at = f.moment(dough.mixedMs + hour * HOUR_MS);
  if (!here) return <p className={styles['readout']}>{t('formulas.whatIf.beyond', { at })}</p>;
  const { look } = here;
  const state = stateOf(way.kinds[here.stage] ?? 'ball', look, way.target);
  const odds = openingOdds(look, way.target);
  return (
    <p className={styles['readout']} data-testid="reading">
      <span>{isPointed ? at : t('formulas.whatIf.atDoors', { at })}</span>
      <b>{t(`doughState.${state}`)}</b>
      {state === 'ready' && (
        <span>{t('formulas.whatIf.oddsAre', { odds: formatOdds(t, odds) })}</span>
      )}
      <span>{t('formulas.whatIf.riseIs', { rise: f.times(look.volume) })}</span>
      <span>{t('formulas.whatIf.ripeIs', { hours: f.hours(here.ripeH) })}</span>
      <span>{t('formulas.whatIf.coreIs', { temp: f.temperature(look.coreTempC) })}</span>
    </p>
  );
}
