import { stageKey, type PlannedWork } from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { doneKeys } from '../../parts/doneKeys';
import { useFormats } from '../../parts/format';
import { LotBand } from '../../parts/LotBand';
import { useWidth } from '../../parts/useWidth';
import { coverOf, shiftTimes } from '../../state/crewCover';
import type { BoardLot } from '../../state/lotBoard';
import { coverWords } from '../../state/lotWords';
import type { Board } from '../../state/useBoard';
import { useCursor } from '../../state/useCursor';
import styles from './Plan.module.css';

const LABELS = 168;
const HEAD = 40;
const LOT_ROW = 44;
const PERSON_ROW = 28;
const GAP = 20;
const HOUR_MS = 3_600_000;

/** Time across: lots as bands with beads, services through them, and below who is in. */
export function PlanPicture({
  board,
  fromMs,
  toMs,
}: {
  readonly board: Board;
  readonly fromMs: number;
  readonly toMs: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { atMs, nowMs } = useCursor();
  const { ref, width } = useWidth<HTMLDivElement>();
  const [picked, setPicked] = useState<{ lot: BoardLot; works: readonly PlannedWork[] } | null>(
    null,
  );
  const lots = board.lots.filter(
    (lot) => lot.doorsMs > fromMs && (lot.stages[0]?.startMs ?? 0) < toMs,
  );
  const shifts = shiftTimes(board);
  const toX = (ms: number) =>
    LABELS + ((ms - fromMs) / (toMs - fromMs)) * Math.max(0, width - LABELS);
  const crewTop = HEAD + lots.length * LOT_ROW + GAP;
  const height = crewTop + board.book.people.length * PERSON_ROW;

  return (
    <div ref={ref} className={styles['picture']}>
      <svg width={width} height={height} role="img" aria-label={t('plan.picture')}>
        <clipPath id="plan-time">
          <rect x={LABELS} y={0} width={Math.max(0, width - LABELS)} height={height} />
        </clipPath>
        <g clipPath="url(#plan-time)">
          <Hours fromMs={fromMs} toMs={toMs} toX={toX} height={height} />
          {board.services.map((service) => (
            <g key={service.date + service.patternId}>
              <rect
                className={styles['service']}
                x={toX(Date.parse(service.startsAt))}
                width={toX(Date.parse(service.endsAt)) - toX(Date.parse(service.startsAt))}
                y={20}
                height={height - 20}
              />
              <text
                className={styles['serviceName']}
                x={toX(Date.parse(service.startsAt)) + 4}
                y={34}
              >
                {service.name}
              </text>
            </g>
          ))}
          {lots.map((lot, i) => (
            <LotBand
              key={lot.date + lot.product.id}
              stages={lot.stages}
              doneKeys={doneKeys(lot, nowMs)}
              toX={toX}
              y={HEAD + i * LOT_ROW}
              height={LOT_ROW}
              onBead={(works) => setPicked({ lot, works })}
              labelOf={(work) => {
                const { coverage, people } = coverOf(board, shifts, work);
                const isCovered = coverage.kind === 'covered';
                return { text: isCovered ? (people[0]?.initials ?? '') : '?', isOpen: !isCovered };
              }}
            />
          ))}
          {board.book.people.map((person, i) =>
            shifts
              .filter((shift) => shift.personId === person.id)
              .map((shift) => (
                <rect
                  key={`${person.id}${shift.startMs}`}
                  className={styles['shift']}
                  x={toX(shift.startMs)}
                  width={toX(shift.endMs) - toX(shift.startMs)}
                  y={crewTop + i * PERSON_ROW + 8}
                  height={PERSON_ROW - 16}
                  rx={4}
                />
              )),
          )}
          <line className={styles['present']} x1={toX(nowMs)} x2={toX(nowMs)} y1={20} y2={height} />
          <line className={styles['at']} x1={toX(atMs)} x2={toX(atMs)} y1={20} y2={height} />
        </g>
        {lots.map((lot, i) => (
          <g key={lot.date + lot.product.id} className={styles['label']}>
            <text x={0} y={HEAD + i * LOT_ROW + 20}>
              {lot.recipe.formulaName}
            </text>
            <text x={0} y={HEAD + i * LOT_ROW + 37} className={styles['sub']}>
              {lot.lot ? lot.code : t('plan.toMake')} · {f.date(lot.date)}
            </text>
          </g>
        ))}
        {board.book.people.map((person, i) => (
          <text
            key={person.id}
            className={styles['person']}
            x={0}
            y={crewTop + i * PERSON_ROW + 19}
          >
            {person.name} <tspan className={styles['sub']}>{person.initials}</tspan>
          </text>
        ))}
      </svg>
      <div className={styles['picked']} aria-live="polite">
        {picked ? <Picked board={board} {...picked} /> : t('plan.pick')}
      </div>
    </div>
  );
}

function Hours({
  fromMs,
  toMs,
  toX,
  height,
}: {
  readonly fromMs: number;
  readonly toMs: number;
  readonly toX: (ms: number) => number;
  readonly height: number;
}) {
  const f = useFormats();
  const hours = Array.from({ length: Math.ceil((toMs - fromMs) / HOUR_MS) }, (_, i) => ({
    ms: fromMs + i * HOUR_MS,
    hour: f.hour(fromMs + i * HOUR_MS),
  }));
  const labelEvery = hours.length > 60 ? 12 : hours.length > 30 ? 6 : 3;
  return hours.map(({ ms, hour }) => (
    <g key={ms}>
      {(hour >= 21 || hour < 6) && (
        <rect
          className={styles['night']}
          x={toX(ms)}
          width={toX(ms + HOUR_MS) - toX(ms) + 0.5}
          y={20}
          height={height - 20}
        />
      )}
      {hour % labelEvery === 0 && (
        <>
          <line
            className={hour === 0 ? styles['midnight'] : styles['hourLine']}
            x1={toX(ms)}
            x2={toX(ms)}
            y1={20}
            y2={height}
          />
          <text className={styles['hour']} x={toX(ms) + 3} y={14}>
            {hour === 0 ? f.day(ms) : hour}
          </text>
        </>
      )}
    </g>
  ));
}

/** All about the bead that was tapped. */
function Picked({
  board,
  lot,
  works,
}: {
  readonly board: Board;
  readonly lot: BoardLot;
  readonly works: readonly PlannedWork[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const shifts = shiftTimes(board);
  return works.map((work) => (
    <p key={stageKey(work)}>
      <b>
        {t(`work.${work.key}`)}, {lot.recipe.formulaName}
      </b>{' '}
      {f.moment(work.startMs)}–{f.time(work.endMs)} ·{' '}
      {coverWords(t, work, coverOf(board, shifts, work))}
    </p>
  ));
}
