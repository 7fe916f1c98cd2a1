import type {
  AcceptedConstant,
  DoughDocument,
  HouseBook,
  LearnDocument,
  LearnedDocument,
  LearnedProposal,
  Lot,
  LotRecord,
  WindowMoves,
} from '@calm/contract';
import {
  MINUTE_MS,
  type PlannedStage,
  simulate,
  type Simulation,
  stageKey,
  STANDARD_TARGET,
  workMinutes,
  workOf,
  type WorkSample,
} from '@calm/core';
import { routeOfDocument } from '../formulas/simulateDough';
import { doughAsItWas } from '../lots/lotHistory';
import { loggedLot } from '../lots/loggedLot';
import { localDateOf } from '../time/wallClock';
import { stagesAsRead, type AirRead } from './doughAsSeen';
import { learnDocument, narrowDocument } from './learnDocument';
import { observedOfLot } from './observedOfLot';

/** Numbers with another one on top: factors multiply, shifts add. */
export function withConstant(
  inForce: readonly AcceptedConstant[],
  { name, factor, shift }: AcceptedConstant,
): AcceptedConstant[] {
  const before = inForce.find((each) => each.name === name);
  const together =
    shift === undefined
      ? { name, factor: (before?.factor ?? 1) * (factor ?? 1) }
      : { name, shift: (before?.shift ?? 0) + shift };
  return [...inForce.filter((each) => each.name !== name), together];
}

/** What a house reckons with: everything that it has accepted and not taken back. */
export const inForceOf = (proposals: readonly LearnedProposal[]): AcceptedConstant[] =>
  proposals
    .filter(({ state }) => state === 'accepted')
    .reduce<AcceptedConstant[]>(withConstant, [])
    .sort((a, b) => a.name.localeCompare(b.name));

/** A lot whose service is over, with what was seen of it. */
export interface LotToLearnFrom {
  readonly lot: Lot;
  readonly planned: readonly PlannedStage[] | null;
  readonly records: readonly LotRecord[];
}

/**
 * A lot as it went, for learning: by its record, in air as it was read, in a house whose numbers are those in force.
 *
 * @returns null where nothing was seen of it
 */
export function lotToLearn(
  { lot, planned, records }: LotToLearnFrom,
  book: Pick<HouseBook, 'house' | 'products' | 'retired'>,
  inForce: readonly AcceptedConstant[],
  airRead: AirRead,
): LearnDocument['lots'][number] | null {
  const { settings, timeZone } = book.house;
  const logged = loggedLot(lot, planned, book);
  const way = logged && doughAsItWas(logged, logged.product, settings.usualTempsC.preferment);
  const observed = way && observedOfLot(way, records);
  if (!observed) return null;
  const { constants: _, ...dough } = observed.dough;
  return {
    ...observed,
    id: lot.id,
    day: localDateOf(new Date(way.mixedMs), timeZone),
    dough: {
      ...dough,
      stages: stagesAsRead(dough.stages, way, airRead),
      ...(inForce.length > 0 && { constants: inForce }),
    },
  };
}

/**
 * How much later than foretold each lot began to open well, by what was seen of it, minutes; by the lots' ids. A lot that
 * never opens well, or that no kitchen can have had, has none.
 */
export function windowErrors(lots: LearnDocument['lots']): Record<string, number> {
  return Object.fromEntries(
    lots.flatMap(({ id, day: _, ...observed }): [string, number][] => {
      const narrowed = narrowDocument(observed);
      if (!narrowed.ok) return [];
      const { before, after } = narrowed.value;
      return before && after ? [[id, 60 * (after.first.p50 - before.first.p50)]] : [];
    }),
  );
}

/**
 * How long work took where somebody pressed both its beginning and its end, against what its route would give it now, so
 * that minutes that were changed meanwhile are not changed again.
 */
export function workSamples(
  lots: readonly LotToLearnFrom[],
  book: Pick<HouseBook, 'products' | 'routes' | 'retired'>,
): WorkSample[] {
  return lots.flatMap(({ lot, planned }) => {
    const logged = loggedLot(lot, planned, book);
    const route = book.routes.find(({ id }) => id === logged?.product.routeId)?.stages ?? [];
    const size = {
      loads: lot.loads.length,
      balls: lot.items.reduce((sum, { count }) => sum + count, 0),
    };
    return workOf(logged?.stages ?? []).flatMap((work): WorkSample[] => {
      const mark = lot.marks.find(
        ({ loadNumber, stepKey }) => loadNumber === 0 && stepKey === stageKey(work),
      );
      if (!mark?.startedAt || !mark.doneAt) return [];
      const stage = route.find((each) => each.kind === 'work' && each.key === work.key);
      return [
        {
          kind: work.key,
          personId: mark.personId,
          plannedMin:
            stage?.kind === 'work'
              ? workMinutes(stage.rate, size)
              : (work.endMs - work.startMs) / MINUTE_MS,
          tookMin: (Date.parse(mark.doneAt) - Date.parse(mark.startedAt)) / MINUTE_MS,
        },
      ];
    });
  });
}

/** Lots by whose windows it is told what a number changes. */
const LOTS_TO_TELL_BY = 4;

/** What lots say of a house's numbers, and what each would change. */
export interface Learned extends LearnedDocument {
  /** What each number does to windows, by its name; null where none can be told. */
  readonly laterMin: Readonly<Record<string, WindowMoves | null>>;
}

/**
 * What a house's lots say of its numbers, and by how much each moves windows.
 *
 * @param lots newest first; one that no kitchen has is left out
 */
export function learnFrom(lots: LearnDocument['lots']): Learned {
  const sound = lots.filter(({ dough }) => wayOf(dough) !== null);
  const learned = learnDocument({ lots: sound });
  if (!learned.ok)
    return { constants: [], riseErrorPercent: { before: 0, after: 0 }, laterMin: {} };
  const tellBy = sound.slice(0, LOTS_TO_TELL_BY);
  const moved = learned.value.constants.filter(({ isMoved }) => isMoved);
  return {
    ...learned.value,
    laterMin: Object.fromEntries(
      moved.map((constant) => [constant.name, laterMin(tellBy, constant)]),
    ),
  };
}

function laterMin(lots: LearnDocument['lots'], constant: AcceptedConstant): WindowMoves | null {
  const moves = lots.flatMap(({ dough }): WindowMoves[] => {
    const { constants = [] } = dough;
    const from = wayOf(dough)?.window;
    const to = wayOf({ ...dough, constants: withConstant(constants, constant) })?.window;
    if (from?.kind !== 'ready' || to?.kind !== 'ready') return [];
    return [
      {
        opens: 60 * (to.earliestHour - from.earliestHour),
        ends: 60 * (to.latestHour - from.latestHour),
      },
    ];
  });
  if (moves.length === 0) return null;
  const mean = (of: keyof WindowMoves) =>
    moves.reduce((sum, each) => sum + each[of], 0) / moves.length;
  return { opens: mean('opens'), ends: mean('ends') };
}

function wayOf(dough: DoughDocument): Simulation | null {
  const route = routeOfDocument(dough);
  if (!route.ok) return null;
  const way = simulate(route.value, { target: { ...STANDARD_TARGET, ...dough.target } });
  return way.ok ? way.value : null;
}
