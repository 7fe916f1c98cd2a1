import {
  QUARTER,
  type PlannedLot,
  type PlannedRest,
  type PlannedStep,
  type WeekProblem,
} from '../problem/problem';

/** One step of a lot. */
export interface StepRef {
  readonly lotId: string;
  readonly stage: number;
  /** Null is for the whole lot. */
  readonly serviceId: string | null;
}

/** Whether a step is this one. */
export const isStep = (
  { stage, serviceId }: Pick<StepRef, 'stage' | 'serviceId'>,
  other: Pick<StepRef, 'stage' | 'serviceId'>,
): boolean => stage === other.stage && serviceId === other.serviceId;

/** Work done in one go; it moves as one. */
interface Piece {
  readonly steps: readonly PlannedStep[];
  readonly isHeld: boolean;
  startMin: number;
  readonly lengthMin: number;
  readonly links: Link[];
}

/** A rest between two pieces, or between the last piece and the doors. */
interface Link {
  readonly rest: PlannedRest;
  readonly leastMin: number;
  readonly mostMin: number;
  readonly before: Piece;
  /** Null is the doors, at `doorsMin`. */
  readonly after: Piece | null;
  readonly doorsMin: number;
}

/**
 * Moves a step and what is done in one go with it. The rests beside it give way as far as the route lets
 * them; beyond that they push the work next to them, up to work that is held. Doors never move. A rest that
 * then is too short or too long stays so, for whoever looks the plan over to say.
 *
 * @param toMin when the step shall start
 * @param isHeld steps that do not give way
 */
export function editLot(
  { doughs, services }: Pick<WeekProblem, 'doughs' | 'services'>,
  lot: PlannedLot,
  moved: Pick<StepRef, 'stage' | 'serviceId'>,
  toMin: number,
  isHeld: (step: PlannedStep) => boolean = () => false,
): PlannedLot {
  const route = doughs.find(({ id }) => id === lot.doughId)?.route ?? [];
  const doorsOf = (serviceId: string) =>
    Math.floor((services.find(({ id }) => id === serviceId)?.startMin ?? 0) / QUARTER) * QUARTER;
  const boundsOf = ({ stage }: PlannedRest) => {
    const found = route[stage];
    if (found?.kind !== 'rest') return { leastMin: 0, mostMin: Infinity };
    const leastMin = Math.ceil(found.hours.least * 60 - 1e-9);
    return { leastMin, mostMin: Math.max(found.hours.most * 60, leastMin) };
  };
  const { pieces, links } = takenApart(lot, isHeld, boundsOf, doorsOf);
  const piece = pieces.find(({ steps }) => steps.some((step) => isStep(step, moved)));
  const step = piece?.steps.find((each) => isStep(each, moved));
  if (!piece || !step) return lot;
  piece.startMin += toMin - step.startMin;
  spread(piece, null);
  return putTogether(lot, pieces, links);
}

/** Lets what stands beside a moved piece give way, and so on outwards. */
function spread(moved: Piece, from: Piece | null): void {
  for (const { before, after, leastMin, mostMin } of moved.links) {
    const other = before === moved ? after : before;
    if (!other || other === from || other.isHeld) continue;
    const restMin = (after as Piece).startMin - before.startMin - before.lengthMin;
    const by = restMin < leastMin ? leastMin - restMin : restMin > mostMin ? mostMin - restMin : 0;
    if (by === 0) continue;
    other.startMin += other === after ? by : -by;
    spread(other, moved);
  }
}

/** A lot as pieces of work and the rests between them. */
function takenApart(
  lot: PlannedLot,
  isHeld: (step: PlannedStep) => boolean,
  boundsOf: (rest: PlannedRest) => { readonly leastMin: number; readonly mostMin: number },
  doorsOf: (serviceId: string) => number,
): { pieces: Piece[]; links: Link[] } {
  const pieces: Piece[] = [];
  const links: Link[] = [];
  const pieceBefore = (rest: PlannedRest): PlannedStep | undefined =>
    lot.steps.find(
      ({ stage, serviceId }) =>
        stage === rest.stage - 1 && (serviceId === null || serviceId === rest.serviceId),
    );
  const known = new Map<PlannedStep, Piece>();
  for (const first of lot.steps) {
    if (lot.steps.some((each) => each.stage === first.stage - 1 && isTogether(each, first)))
      continue;
    const steps: PlannedStep[] = [];
    for (let at: PlannedStep | undefined = first; at;) {
      const last: PlannedStep = at;
      steps.push(last);
      at = lot.steps.find((each) => each.stage === last.stage + 1 && isTogether(last, each));
    }
    const piece: Piece = {
      steps,
      isHeld: steps.some(isHeld),
      startMin: first.startMin,
      lengthMin: (steps.at(-1) as PlannedStep).endMin - first.startMin,
      links: [],
    };
    pieces.push(piece);
    for (const step of steps) known.set(step, piece);
  }
  for (const rest of lot.rests) {
    const before = known.get(pieceBefore(rest) as PlannedStep);
    if (!before) continue;
    const next = lot.steps.find(
      ({ stage, serviceId }) => stage === rest.stage + 1 && serviceId === rest.serviceId,
    );
    const after = next ? (known.get(next) ?? null) : null;
    const doorsMin = rest.serviceId === null ? rest.endMin : doorsOf(rest.serviceId);
    const link = { rest, ...boundsOf(rest), before, after, doorsMin };
    links.push(link);
    before.links.push(link);
    after?.links.push(link);
  }
  return { pieces, links };
}

/** Steps one after another without a rest. */
const isTogether = (one: PlannedStep, next: PlannedStep): boolean =>
  one.serviceId === null || one.serviceId === next.serviceId;

function putTogether(
  lot: PlannedLot,
  pieces: readonly Piece[],
  links: readonly Link[],
): PlannedLot {
  const steps = pieces
    .flatMap(({ steps: own, startMin }) => {
      const by = startMin - (own[0]?.startMin ?? startMin);
      return own.map((step) =>
        by === 0 ? step : { ...step, startMin: step.startMin + by, endMin: step.endMin + by },
      );
    })
    .sort((a, b) => a.startMin - b.startMin || a.stage - b.stage);
  const rests = lot.rests.map((rest) => {
    const link = links.find((each) => each.rest === rest);
    if (!link) return rest;
    const startMin = link.before.startMin + link.before.lengthMin;
    return { ...rest, startMin, endMin: link.after?.startMin ?? link.doorsMin };
  });
  return { ...lot, steps, rests };
}

/** A lot of which a step is done by others. */
export const givenTo = (
  lot: PlannedLot,
  given: Pick<StepRef, 'stage' | 'serviceId'>,
  personIds: readonly string[],
): PlannedLot => ({
  ...lot,
  steps: lot.steps.map((step) => (isStep(step, given) ? { ...step, personIds } : step)),
});

/** A lot of which a rest is elsewhere; for every service when none is named. */
export const restedIn = (lot: PlannedLot, stage: number, place: string): PlannedLot => ({
  ...lot,
  rests: lot.rests.map((rest) => (rest.stage === stage ? { ...rest, place } : rest)),
});
