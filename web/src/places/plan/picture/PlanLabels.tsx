import type { Service } from '@calm/contract';
import type { PlanWeek } from '../editing/usePlanWeek';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';
import type { TimeScale } from './planLayout';
import { stripLabel } from './Strips';
import type { PlanLayout } from './usePlanLayout';

/** Services as bands through the picture, with their names. */
export function ServiceBands({
  services,
  scale,
  height,
}: {
  readonly services: readonly Service[];
  readonly scale: TimeScale;
  readonly height: number;
}) {
  return services.map(({ date, patternId, name, startsAt, endsAt }) => {
    const [x1, x2] = [scale.toX(Date.parse(startsAt)), scale.toX(Date.parse(endsAt))];
    if (x2 < scale.left || x1 > scale.right) return null;
    return (
      <g key={date + patternId}>
        <rect className={styles['service']} x={x1} width={x2 - x1} y={20} height={height - 20} />
        {x2 - x1 > 40 && (
          <text className={styles['serviceName']} x={Math.max(x1, scale.left) + 4} y={34}>
            {name}
          </text>
        )}
      </g>
    );
  });
}

/** A moment, from top to bottom. */
export function TimeLine({
  className,
  ms,
  toX,
  height,
}: {
  readonly className: 'present' | 'at';
  readonly ms: number;
  readonly toX: (ms: number) => number;
  readonly height: number;
}) {
  return <line className={styles[className]} x1={toX(ms)} x2={toX(ms)} y1={20} y2={height} />;
}

/** Names beside the picture: doughs at their lanes, people and places at their strips. */
export function LaneLabels({
  layout: { lanes, strips, isNarrow },
  week,
  words,
}: {
  readonly layout: PlanLayout;
  readonly week: PlanWeek;
  readonly words: PlanWords;
}) {
  return (
    <>
      {lanes
        .filter(({ lane }) => lane.isFirstOfDough)
        .map(({ lane, y }) => (
          <text key={lane.doughId} className={styles['doughName']} x={0} y={y + 28}>
            {isNarrow ? words.doughCode(lane.doughId) : words.dough(lane.doughId)}
          </text>
        ))}
      {strips.map(({ strip, y }) => {
        const [name, more] = stripLabel(strip, week, words);
        return (
          <text
            key={`${strip.kind}${strip.id}`}
            className={styles['stripName']}
            x={0}
            y={y + strip.height / 2 + 5}
          >
            {isNarrow ? (strip.kind === 'person' ? more : shortName(name)) : name}{' '}
            {!isNarrow && <tspan className={styles['sub']}>{more}</tspan>}
          </text>
        );
      })}
    </>
  );
}

/** The first letters of a name that has no room. */
const shortName = (name: string): string => (name.length > 8 ? `${name.slice(0, 7)}…` : name);
