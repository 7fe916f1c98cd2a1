import { HOUR_MS, MINUTE_MS, workOf } from '@calm/core';
import Button from '@mui/material/Button';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { usePictureWidth } from '../../parts/layout/usePictureWidth';
import { coverOf, shiftTimes } from '../../state/board/crewCover';
import { moved, RAIL_HOURS, released, snappedToNow } from '../../state/time/cursor';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { useBoard, type Board } from '../../state/board/useBoard';
import { useCursor } from '../../state/time/useCursor';
import styles from './TimeRail.module.css';

const RAIL_MS = RAIL_HOURS * HOUR_MS;
/** The cursor moves in steps of this. */
const STEP_MS = 5 * MINUTE_MS;
const STEP_BY_KEY: Readonly<Record<string, number>> = {
  ArrowLeft: -15 * MINUTE_MS,
  ArrowRight: 15 * MINUTE_MS,
  PageDown: -6 * HOUR_MS,
  PageUp: 6 * HOUR_MS,
};

/** 36 hours of baker's time with a cursor; everything on the page shows that moment. */
export function TimeRail() {
  const { t } = useTranslation();
  const f = useFormats();
  const dispatch = useAppDispatch();
  const { railStartMs } = useAppSelector((state) => state.cursor);
  const { atMs, nowMs, isNow } = useCursor();
  const { board } = useBoard();
  const { ref: track, width } = usePictureWidth<HTMLDivElement>();
  const [isDragging, setDragging] = useState(false);
  const percent = (ms: number) => ((ms - railStartMs) / RAIL_MS) * 100;

  const moveTo = (event: PointerEvent) => {
    const box = track.current?.getBoundingClientRect();
    if (!box) return;
    const share = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width));
    dispatch(moved(Math.round((railStartMs + share * RAIL_MS) / STEP_MS) * STEP_MS));
  };
  const onKey = (event: KeyboardEvent) => {
    const step = STEP_BY_KEY[event.key];
    if (step === undefined && event.key !== 'Home') return;
    event.preventDefault();
    if (step === undefined) return dispatch(snappedToNow());
    dispatch(moved(Math.round((atMs + step) / STEP_MS) * STEP_MS));
    return dispatch(released());
  };

  return (
    <header className={styles['rail']} data-now={isNow}>
      <div className={styles['readout']}>
        <span className={styles['when']}>{f.time(atMs)}</span>
        <span className={styles['day']}>
          {isNow ? f.day(atMs) : t('shell.notNow', { day: f.day(atMs) })}
        </span>
      </div>
      <div
        ref={track}
        className={styles['track']}
        dir="ltr"
        role="slider"
        tabIndex={0}
        aria-label={t('shell.cursor')}
        aria-valuemin={railStartMs}
        aria-valuemax={railStartMs + RAIL_MS}
        aria-valuenow={atMs}
        aria-valuetext={isNow ? t('shell.cursorNow', { at: f.moment(atMs) }) : f.moment(atMs)}
        onKeyDown={onKey}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setDragging(true);
          moveTo(event);
        }}
        onPointerMove={(event) => isDragging && moveTo(event)}
        onPointerUp={() => {
          setDragging(false);
          dispatch(released());
        }}
      >
        <Hours railStartMs={railStartMs} percent={percent} />
        {board && <Services board={board} percent={percent} />}
        {board && width > 0 && (
          <Steps board={board} nowMs={nowMs} percent={percent} width={width} />
        )}
        <span className={styles['present']} style={{ left: `${percent(nowMs)}%` }} />
        <span className={styles['cursor']} style={{ left: `${percent(atMs)}%` }} />
      </div>
      <Button
        variant={isNow ? 'outlined' : 'contained'}
        className={styles['nowButton'] ?? ''}
        disabled={isNow}
        onClick={() => dispatch(snappedToNow())}
      >
        {t('shell.now')}
      </Button>
    </header>
  );
}

type Percent = (ms: number) => number;

/** Hour marks, and night shaded from nine to six. */
function Hours({
  railStartMs,
  percent,
}: {
  readonly railStartMs: number;
  readonly percent: Percent;
}) {
  const f = useFormats();
  const hours = Array.from({ length: RAIL_HOURS }, (_, i) => {
    const ms = railStartMs + i * HOUR_MS;
    return { ms, hour: f.hour(ms), left: `${percent(ms)}%` };
  });
  return (
    <>
      {hours
        .filter(({ hour }) => hour >= 21 || hour < 6)
        .map(({ ms, left }) => (
          <span
            key={ms}
            className={styles['night']}
            style={{ left, width: `${100 / RAIL_HOURS}%` }}
          />
        ))}
      {hours
        .filter(({ hour }) => hour % 3 === 0)
        .map(({ ms, hour, left }) => (
          <span key={ms} className={styles['hour']} data-hour={hour} style={{ left }}>
            {hour === 0 ? <b>{f.weekday(ms)}</b> : hour}
          </span>
        ))}
    </>
  );
}

/** Services as notched blocks. */
function Services({ board, percent }: { readonly board: Board; readonly percent: Percent }) {
  return board.services
    .map((service) => ({
      service,
      left: percent(Date.parse(service.startsAt)),
      right: percent(Date.parse(service.endsAt)),
    }))
    .filter(({ left, right }) => right > 0 && left < 100)
    .map(({ service, left, right }) => (
      <span
        key={`${service.date}${service.patternId}`}
        className={styles['service']}
        style={{
          left: `${Math.max(0, left)}%`,
          width: `${Math.min(100, right) - Math.max(0, left)}%`,
        }}
      >
        {service.name}
      </span>
    ));
}

/** Steps closer together than their initials are wide share a tick, px. */
const INITIALS_PX = 50;

/** The next attended steps, with the initials of someone who is on shift for the first of each. */
function Steps({
  board,
  nowMs,
  percent,
  width,
}: {
  readonly board: Board;
  readonly nowMs: number;
  readonly percent: Percent;
  /** Of the rail, px. */
  readonly width: number;
}) {
  const shifts = shiftTimes(board);
  const steps = board.lots
    .flatMap((lot) => workOf(lot.stages))
    .filter((work) => work.startMs >= nowMs)
    .sort((a, b) => a.startMs - b.startMs)
    .map((work) => ({ work, left: percent(work.startMs) }))
    .filter(({ left }) => left >= 0 && left <= 97);
  const ticks: { left: number; initials: string; more: number }[] = [];
  for (const { work, left } of steps) {
    const last = ticks.at(-1);
    if (last && ((left - last.left) / 100) * width < INITIALS_PX) last.more += 1;
    else {
      const [person] = coverOf(board, shifts, work).people;
      ticks.push({ left, initials: person?.initials ?? '?', more: 0 });
    }
  }
  return ticks.map(({ left, initials, more }) => (
    <span key={left} className={styles['step']} style={{ left: `${left}%` }}>
      {initials}
      {more > 0 && <small>+{more}</small>}
    </span>
  ));
}
