import type { Climate } from '@calm/domain';
import {
  benchTakings,
  type levelsOf,
  placeTakings,
  type PlannedLot,
  type PlannedStep,
  type WeekProblem,
} from '@calm/core';

export type Taking = Parameters<typeof levelsOf>[0][number];
export type RoomClimate = Climate['rooms'][number];
/** From and to, minutes since 1970. */
export interface Stint {
  readonly startMin: number;
  readonly endMin: number;
}

/** One strip below the lots. */
export interface Strip {
  readonly kind: 'person' | 'mixer' | 'bench' | 'place' | 'air';
  /** Of the person or mixer, or the place's name. */
  readonly id: string;
  readonly height: number;
}

/** A step on a strip. */
export interface Work {
  readonly lot: PlannedLot;
  readonly step: PlannedStep;
}

/** What stands on a strip; two of the same content look the same. */
export type StripContent =
  | { readonly kind: 'works'; readonly shifts: readonly Stint[]; readonly works: readonly Work[] }
  | { readonly kind: 'levels'; readonly takings: readonly Taking[]; readonly room: number }
  | { readonly kind: 'air'; readonly room: RoomClimate | null };

const NO_SHIFTS: readonly Stint[] = [];

/** What a strip shows of the lots as they are in hand. */
export function contentOf(
  { kind, id }: Strip,
  problem: WeekProblem,
  lots: readonly PlannedLot[],
  climate: Climate | undefined,
): StripContent {
  const worksWhere = (isOn: (step: PlannedStep) => boolean): Work[] =>
    lots.flatMap((lot) => lot.steps.filter(isOn).map((step) => ({ lot, step })));
  switch (kind) {
    case 'person':
      return {
        kind: 'works',
        shifts: problem.people.find((person) => person.id === id)?.shifts ?? NO_SHIFTS,
        works: worksWhere(({ personIds }) => personIds.includes(id)),
      };
    case 'mixer':
      return {
        kind: 'works',
        shifts: NO_SHIFTS,
        works: worksWhere(({ mixerId }) => mixerId === id),
      };
    case 'bench':
      return { kind: 'levels', takings: benchTakings(problem, lots), room: problem.benchPlaces };
    case 'place': {
      const room = problem.places.find(({ name }) => name === id)?.trays ?? 0;
      return { kind: 'levels', takings: placeTakings(problem, lots, id, 'trays'), room };
    }
    case 'air':
      return { kind: 'air', room: climate?.rooms.find(({ place }) => place === id) ?? null };
  }
}

/** Whether two contents look the same: while a bead is dragged only the strips that it is on are drawn again. */
export function isSameContent(a: StripContent, b: StripContent): boolean {
  if (a.kind === 'works' && b.kind === 'works') {
    return (
      a.shifts === b.shifts &&
      isSameList(a.works, b.works, (x, y) => x.step === y.step && x.lot.id === y.lot.id)
    );
  }
  if (a.kind === 'levels' && b.kind === 'levels') {
    return (
      a.room === b.room &&
      isSameList(
        a.takings,
        b.takings,
        (x, y) => x.startMin === y.startMin && x.endMin === y.endMin && x.amount === y.amount,
      )
    );
  }
  return a.kind === 'air' && b.kind === 'air' && a.room === b.room;
}

const isSameList = <Item>(
  a: readonly Item[],
  b: readonly Item[],
  isSame: (x: Item, y: Item) => boolean,
): boolean => a.length === b.length && a.every((x, i) => isSame(x, b[i] as Item));
