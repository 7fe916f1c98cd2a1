import { MINUTE_MS, levelsOf } from '@calm/core';
import type { Climate } from '@calm/domain';
import { memo } from 'react';
import type { TimeScale } from './planLayout';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import {
  isSameContent,
  type RoomClimate,
  type Stint,
  type Strip,
  type StripContent,
  type Taking,
  type Work,
} from './stripContent';
import type { PlanWeek } from '../editing/usePlanWeek';

const HEIGHTS = { person: 28, mixer: 24, bench: 30, place: 36, air: 36 } as const;

/** Every strip that has something to show, from top to bottom. */
export function stripsOf({ book, problem, lots }: PlanWeek, climate: Climate | undefined): Strip[] {
  const strip = (kind: Strip['kind'], id: string): Strip => ({ kind, id, height: HEIGHTS[kind] });
  const isUsed = (place: string) =>
    lots.some(({ rests }) => rests.some((rest) => rest.place === place && rest.trays > 0));
  return [
    ...problem.people.map(({ id }) => strip('person', id)),
    ...book.mixers
      .filter(({ id }) => lots.some(({ mixerId }) => mixerId === id))
      .map(({ id }) => strip('mixer', id)),
    strip('bench', 'bench'),
    ...problem.places.filter(({ name }) => isUsed(name)).map(({ name }) => strip('place', name)),
    ...(climate?.rooms ?? []).map(({ place }) => strip('air', place)),
  ];
}

/** What stands to the left of a strip. */
export function stripLabel(strip: Strip, week: PlanWeek, words: PlanWords): [string, string] {
  switch (strip.kind) {
    case 'person':
      return [words.person(strip.id), words.initials(strip.id)];
    case 'mixer':
      return [words.mixer(strip.id), ''];
    case 'bench':
      return [
        words.t('plan.bench'),
        words.t('plan.forPeople', { count: week.problem.benchPlaces }),
      ];
    case 'place': {
      const trays = week.problem.places.find(({ name }) => name === strip.id)?.trays ?? 0;
      return [strip.id, words.t('plan.trays', { count: trays })];
    }
    case 'air':
      return [strip.id, words.t('plan.air')];
  }
}

interface StripProps {
  readonly strip: Strip;
  readonly content: StripContent;
  readonly scale: TimeScale;
  readonly y: number;
  readonly words: PlanWords;
  /** Something is held over it. */
  readonly isTarget: boolean;
}

/** One strip's picture: who is in and what they do, what runs, how full it is, how warm. */
export const StripPicture = memo(
  function StripPicture({ strip, content, scale, y, words, isTarget }: StripProps) {
    const { kind, id, height } = strip;
    return (
      <g className={styles['strip']} data-kind={kind} data-id={id} data-target={isTarget}>
        <rect
          className={styles['stripGround']}
          x={scale.left}
          width={Math.max(0, scale.right - scale.left)}
          y={y}
          height={height}
        />
        {content.kind === 'works' && (
          <Works {...content} isMixer={kind === 'mixer'} {...{ scale, y, words }} />
        )}
        {content.kind === 'levels' && <Fullness {...content} {...{ scale, y, height }} />}
        {content.kind === 'air' && content.room && (
          <Air room={content.room} {...{ scale, y, height, words }} />
        )}
      </g>
    );
  },
  (a, b) =>
    a.strip.id === b.strip.id &&
    a.strip.kind === b.strip.kind &&
    a.y === b.y &&
    a.scale === b.scale &&
    a.words === b.words &&
    a.isTarget === b.isTarget &&
    isSameContent(a.content, b.content),
);

interface Across {
  readonly scale: TimeScale;
  readonly y: number;
}

function Works({
  shifts,
  works,
  isMixer,
  scale,
  y,
  words,
}: Across & {
  readonly shifts: readonly Stint[];
  readonly works: readonly Work[];
  readonly isMixer: boolean;
  readonly words: PlanWords;
}) {
  return (
    <>
      {shifts.map((shift) => (
        <Interval
          key={shift.startMin}
          className="shift"
          scale={scale}
          y={y + 8}
          height={12}
          {...shift}
        />
      ))}
      {works.map(({ lot, step }) => (
        <Interval
          key={`${lot.id}${step.stage}${step.serviceId ?? ''}`}
          className={isMixer ? 'mixing' : 'work'}
          scale={scale}
          y={y + 4}
          height={isMixer ? 16 : 20}
          startMin={step.startMin}
          endMin={step.endMin}
          title={words.f.joined(words.step(step, lot), words.lot(lot))}
          text={words.doughCode(lot.doughId)}
        />
      ))}
    </>
  );
}

function Interval({
  className,
  scale,
  y,
  height,
  startMin,
  endMin,
  title,
  text,
}: Across & {
  readonly className: 'shift' | 'work' | 'mixing';
  readonly height: number;
  readonly startMin: number;
  readonly endMin: number;
  readonly title?: string;
  readonly text?: string;
}) {
  const [x1, x2] = [scale.toX(startMin * MINUTE_MS), scale.toX(endMin * MINUTE_MS)];
  if (x2 < scale.left || x1 > scale.right) return null;
  const width = Math.max(2, x2 - x1);
  return (
    <g className={styles[className]}>
      <rect x={x1} width={width} y={y} height={height} rx={3} />
      {text && width > 22 && (
        <text x={x1 + width / 2} y={y + height / 2 + 4.5} textAnchor="middle">
          {text}
        </text>
      )}
      {title && <title>{title}</title>}
    </g>
  );
}

/** How full something is against its room: a hill under a line. */
function Fullness({
  takings,
  room,
  scale,
  y,
  height,
}: Across & {
  readonly takings: readonly Taking[];
  readonly room: number;
  readonly height: number;
}) {
  const base = y + height - 4;
  const most = Math.max(1, room);
  const top = (amount: number) => base - Math.min(1.3, amount / most) * (height - 14);
  const levels = levelsOf(takings).filter(
    ({ startMin, endMin }) =>
      endMin * MINUTE_MS > scale.fromMs && startMin * MINUTE_MS < scale.toMs,
  );
  const fullest = levels.reduce<(typeof levels)[number] | null>(
    (best, level) => (best && best.amount >= level.amount ? best : level),
    null,
  );
  return (
    <>
      {levels.map(({ startMin, endMin, amount }) => (
        <rect
          key={startMin}
          className={styles['full']}
          data-over={amount > room}
          x={scale.toX(startMin * MINUTE_MS)}
          width={Math.max(0, scale.toX(endMin * MINUTE_MS) - scale.toX(startMin * MINUTE_MS)) + 0.3}
          y={top(amount)}
          height={Math.max(0, base - top(amount))}
        />
      ))}
      <line
        className={styles['room']}
        x1={scale.left}
        x2={scale.right}
        y1={top(room)}
        y2={top(room)}
      />
      {fullest && (
        <text
          className={styles['stripNumber']}
          x={Math.min(
            scale.right - 14,
            Math.max(
              scale.left + 14,
              (scale.toX(fullest.startMin * MINUTE_MS) + scale.toX(fullest.endMin * MINUTE_MS)) / 2,
            ),
          )}
          y={base - 3}
          textAnchor="middle"
        >
          {fullest.amount}
        </text>
      )}
    </>
  );
}

/** A cold room's air as simulated with what stands in it. */
function Air({
  room,
  scale,
  y,
  height,
  words,
}: Across & {
  readonly room: RoomClimate;
  readonly height: number;
  readonly words: PlanWords;
}) {
  const { startMin, stepMin, airC } = room;
  const first = Math.max(0, Math.floor((scale.fromMs / MINUTE_MS - startMin) / stepMin));
  const last = Math.min(airC.length, Math.ceil((scale.toMs / MINUTE_MS - startMin) / stepMin));
  if (last - first < 2) return null;
  const seen = airC.subarray(first, last);
  const [least, most] = [Math.min(...seen), Math.max(...seen)];
  const low = Math.min(least, 2);
  const high = Math.max(most, 8);
  const top = (tempC: number) => y + height - 6 - ((tempC - low) / (high - low)) * (height - 12);
  const stride = Math.max(1, Math.floor(seen.length / Math.max(1, scale.right - scale.left)));
  const points: string[] = [];
  for (let i = 0; i < seen.length; i += stride) {
    const x = scale.toX((startMin + (first + i + 0.5) * stepMin) * MINUTE_MS);
    points.push(`${x.toFixed(1)},${top(seen[i] ?? 0).toFixed(1)}`);
  }
  return (
    <>
      <path className={styles['airLine']} d={`M${points.join('L')}`} />
      <text className={styles['stripNumber']} x={scale.right - 4} y={y + 12} textAnchor="end">
        {words.t('plan.airSpan', {
          from: words.f.temperature(least),
          to: words.f.temperature(most),
        })}
      </text>
    </>
  );
}
