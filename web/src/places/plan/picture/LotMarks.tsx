import { MINUTE_MS, isStep, type PlannedLot } from '@calm/core';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';
import type { TimeScale } from './planLayout';
import styles from '../Plan.module.css';
import type { PlanWords } from '../planWords';

/** Waves nearer than this are one mark, px. */
const WAVE_PX = 16;

/** Waves after the first, which is the pull's own bead: a small tray under the ribbon, with how many to pull. */
export function Waves({
  simulated,
  serviceId,
  scale,
  y,
  words,
}: {
  readonly simulated: Pick<SimulatedPlanLot, 'waves'> | null;
  readonly serviceId: string;
  readonly scale: TimeScale;
  /** Middle of the ribbon, px. */
  readonly y: number;
  readonly words: PlanWords;
}) {
  const marks: { x: number; trays: number; said: string[] }[] = [];
  const later = (simulated?.waves ?? [])
    .filter((each) => each.serviceId === serviceId)
    .flatMap(({ productId, waves }) => waves.slice(1).map((wave) => ({ productId, ...wave })))
    .sort((a, b) => Date.parse(a.pullAt) - Date.parse(b.pullAt));
  for (const { productId, pullAt, trays } of later) {
    const at = Date.parse(pullAt);
    const x = scale.toX(at);
    const pulled = words.t('plan.pullTrays', { count: trays, at: words.f.time(at) });
    const said = `${words.product(productId)}: ${pulled}`;
    const last = marks.at(-1);
    if (last && x - last.x < WAVE_PX) {
      last.trays += trays;
      last.said.push(said);
    } else marks.push({ x, trays, said: [said] });
  }
  return marks.map(({ x, trays, said }) => (
    <g key={x} className={styles['wave']}>
      <path d={`M${x - 5},${y + 14}v4h10v-4`} />
      <text x={x} y={y + 30} textAnchor="middle">
        {trays}
      </text>
      <title>{words.f.list(said)}</title>
    </g>
  ));
}

/** Where steps of a draft stood when the plan was published: an empty ring, and a line to where they are now. */
export function PublishedMarks({
  lot,
  was,
  scale,
  yOf,
  words,
}: {
  readonly lot: PlannedLot;
  readonly was: PlannedLot | null;
  readonly scale: TimeScale;
  /** Middle of the ribbon that a service's steps stand on, px. */
  readonly yOf: (serviceId: string | null) => number;
  readonly words: PlanWords;
}) {
  if (!was || was === lot) return null;
  return was.steps.flatMap((before) => {
    const now = lot.steps.find((step) => isStep(step, before));
    if (!now || now.startMin === before.startMin) return [];
    const middle = ({ startMin, endMin }: typeof now) =>
      scale.toX(((startMin + endMin) / 2) * MINUTE_MS);
    const [from, to] = [middle(before), middle(now)];
    const y = yOf(before.serviceId);
    return [
      <g key={`${before.stage}${before.serviceId ?? ''}`} className={styles['published']}>
        <line x1={from} x2={to} y1={y} y2={y} />
        <circle cx={from} cy={y} r={5} />
        <title>
          {words.t('plan.wasAt', {
            step: words.step(before, was),
            at: words.moment(before.startMin),
          })}
        </title>
      </g>,
    ];
  });
}
