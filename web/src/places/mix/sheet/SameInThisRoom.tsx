import type { DoughDocument, EquivalentDocument } from '@calm/contract';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Plot } from '../../../parts/charts/Plot';
import { useFormats } from '../../../parts/format/useFormats';
import { engine } from '../../../workers/engine/engine';
import { useLatest } from '../../../workers/useLatest';
import styles from './BatchSheet.module.css';

/** Colder and warmer than the stage's own air, °C: what the curve shows. */
const CURVE_C = [-6, -4, -2, 0, 2, 4, 6, 8] as const;
/** A room this near to what was planned asks for nothing, °C. */
const ALIKE_C = 0.5;
const HEIGHT = 150;
const MARGIN = { left: 88, right: 28, top: 12, bottom: 28 };

const ask = async (question: EquivalentDocument): Promise<readonly (number | null)[] | null> => {
  const told = await engine().equivalent(question);
  return told.ok ? told.value.minutes : null;
};

/** How long a stage takes in the room as it is for the same result, with the curve it is read off. */
export function SameInThisRoom({
  document,
  stage,
  plannedMin,
  roomTempC,
}: {
  readonly document: DoughDocument;
  readonly stage: number;
  /** Minutes that it rests by the plan; the document's stage has the work after it in it, too. */
  readonly plannedMin: number;
  readonly roomTempC: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const own = document.stages[stage];
  const ownC = own?.airTempC ?? roomTempC;
  const question = useMemo(
    () => ({ ...document, stage, tempsC: [roomTempC, ...CURVE_C.map((by) => ownC + by)] }),
    [document, stage, roomTempC, ownC],
  );
  const latest = useLatest(ask, question);
  if (!own || !latest?.answer || Math.abs(roomTempC - ownC) < ALIKE_C) return null;
  const workMin = own.hours * 60 - plannedMin;
  const [now = null, ...curve] = latest.answer.map((minutes) =>
    minutes === null || minutes <= workMin ? null : minutes - workMin,
  );
  const points = CURVE_C.flatMap((by, i) => {
    const minutes = curve[i] ?? null;
    return minutes === null ? [] : [{ tempC: ownC + by, minutes }];
  });
  const words = {
    planned: f.duration(Math.round(plannedMin)),
    air: f.temperature(ownC, 0),
    room: f.temperature(roomTempC, 1),
  };
  return (
    <>
      <p role="status">
        {now === null
          ? t('stand.sameNever', words)
          : t('stand.same', { ...words, minutes: f.duration(fiveMin(now)) })}
      </p>
      <details>
        <summary>{t('stand.sameCurve')}</summary>
        <Curve
          points={points}
          now={now === null ? null : { tempC: roomTempC, minutes: now }}
          label={points
            .map(({ tempC, minutes }) =>
              f.joined(f.temperature(tempC, 0), f.duration(fiveMin(minutes))),
            )
            .join('; ')}
        />
      </details>
    </>
  );
}

/** Told to five minutes from an hour on. */
const fiveMin = (minutes: number): number =>
  minutes < 60 ? Math.round(minutes) : 5 * Math.round(minutes / 5);

interface Point {
  readonly tempC: number;
  readonly minutes: number;
}

/** Minutes by temperature, with the room as it is. */
function Curve({
  points,
  now,
  label,
}: {
  readonly points: readonly Point[];
  readonly now: Point | null;
  readonly label: string;
}) {
  const f = useFormats();
  const temps = points.map(({ tempC }) => tempC);
  const [least, most] = [Math.min(...temps), Math.max(...temps)];
  const longest = Math.max(...points.map(({ minutes }) => minutes), now?.minutes ?? 0);
  if (points.length < 2) return null;
  return (
    <Plot height={HEIGHT} label={label}>
      {(width) => {
        const x = (tempC: number) =>
          MARGIN.left + ((tempC - least) / (most - least)) * (width - MARGIN.left - MARGIN.right);
        const y = (minutes: number) =>
          HEIGHT - MARGIN.bottom - (minutes / longest) * (HEIGHT - MARGIN.top - MARGIN.bottom);
        const line = points.map(({ tempC, minutes }) => `${x(tempC)},${y(minutes)}`).join(' ');
        return (
          <g className={styles['curve']}>
            {[longest / 2, longest].map((minutes) => (
              <g key={minutes}>
                <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(minutes)} y2={y(minutes)} />
                <text x={MARGIN.left - 8} y={y(minutes) + 4} textAnchor="end">
                  {f.duration(fiveMin(minutes))}
                </text>
              </g>
            ))}
            {points.map(({ tempC }) => (
              <text key={tempC} x={x(tempC)} y={HEIGHT - 8} textAnchor="middle">
                {f.temperature(tempC, 0)}
              </text>
            ))}
            <polyline points={line} />
            {now && now.tempC >= least && now.tempC <= most && (
              <circle cx={x(now.tempC)} cy={y(now.minutes)} r={6} />
            )}
          </g>
        );
      }}
    </Plot>
  );
}
