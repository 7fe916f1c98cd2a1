import type { DoughDocument, EquivalentDocument } from '@calm/contract';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Plot } from '../../../parts/charts/Plot';
import { toldMinutes } from '../../../parts/format/toldMinutes';
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

interface Rest {
  readonly document: DoughDocument;
  /** Which of the document's stages. */
  readonly stage: number;
  /** Minutes that it rests by the plan; the document's stage has the work after it in it, too. */
  readonly plannedMin: number;
}

/** Minutes of rest that come to the same in each air; null while nobody knows, or nothing is asked. */
function useSameMinutes(
  { document, stage, plannedMin }: Rest,
  tempsC: readonly number[] | null,
): readonly (number | null)[] | null {
  const key = tempsC?.join(' ') ?? null;
  const question = useMemo(
    () => (key === null ? null : { ...document, stage, tempsC: key.split(' ').map(Number) }),
    [document, stage, key],
  );
  const latest = useLatest(ask, question);
  const workMin = (document.stages[stage]?.hours ?? 0) * 60 - plannedMin;
  return (
    latest?.answer?.map((minutes) =>
      minutes === null || minutes <= workMin ? null : minutes - workMin,
    ) ?? null
  );
}

/** How long a rest takes in the room as it is for the same result; nothing where the room is as planned. */
export function SameInThisRoom({
  roomTempC,
  ...rest
}: Rest & {
  /** As the thermometer shows it, °C. */
  readonly roomTempC: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [isOpen, setOpen] = useState(false);
  const ownC = rest.document.stages[rest.stage]?.airTempC ?? roomTempC;
  const isAlike = Math.abs(roomTempC - ownC) < ALIKE_C;
  const told = useSameMinutes(rest, isAlike ? null : [roomTempC]);
  if (isAlike || !told) return null;
  const [minutes = null] = told;
  const words = {
    planned: f.duration(Math.round(rest.plannedMin)),
    air: f.temperature(ownC, 0),
    room: f.temperature(roomTempC, 1),
  };
  return (
    <>
      <p role="status">
        {minutes === null
          ? t('stand.sameNever', words)
          : t('stand.same', { ...words, minutes: f.duration(toldMinutes(minutes)) })}
      </p>
      <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
        <summary>{t('stand.sameCurve')}</summary>
        {isOpen && (
          <OtherTemps
            rest={rest}
            ownC={ownC}
            now={minutes === null ? null : { tempC: roomTempC, minutes }}
          />
        )}
      </details>
    </>
  );
}

interface Point {
  readonly tempC: number;
  readonly minutes: number;
}

/** The same rest in colder and warmer air; calculated once somebody wants it. */
function OtherTemps({
  rest,
  ownC,
  now,
}: {
  readonly rest: Rest;
  readonly ownC: number;
  /** In the room as it is; null where no time comes to the same. */
  readonly now: Point | null;
}) {
  const f = useFormats();
  const tempsC = CURVE_C.map((by) => ownC + by);
  const told = useSameMinutes(rest, tempsC);
  const points = (told ?? []).flatMap((minutes, i) =>
    minutes === null ? [] : [{ tempC: tempsC[i] ?? ownC, minutes }],
  );
  if (points.length < 2) return null;
  const label = points
    .map(({ tempC, minutes }) =>
      f.joined(f.temperature(tempC, 0), f.duration(toldMinutes(minutes))),
    )
    .join('; ');
  return <Curve points={points} now={now} label={label} />;
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
                  {f.duration(toldMinutes(minutes))}
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
