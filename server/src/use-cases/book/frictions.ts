import type { House, HouseBook, MixerFriction } from '@calm/contract';
import { localDateOf, recordOf } from '@calm/domain';
import {
  learnFriction,
  learnMixerLine,
  solidsTempC,
  splitMix,
  type DatedMix,
  type Formula,
} from '@calm/core';
import type { Scope } from '../../database/scope';
import { readBook } from '../../store/house/houses';
import { readLoggedLoads } from '../../store/lots/loads';

type LoggedLoad = Awaited<ReturnType<typeof readLoggedLoads>>[number];

/** What of the book tells how loads were mixed. */
type MixedBy = Pick<HouseBook, 'house' | 'mixers' | 'formulas' | 'retired'>;

/**
 * How each mixer warms each dough it has made, learned from the log. One dough has one method, so its speed, minutes
 * and hydration are alike.
 */
export async function learnedFrictions(scope: Scope, book: MixedBy): Promise<MixerFriction[]> {
  const groups = new Map<string, LoggedLoad[]>();
  for (const load of await readLoggedLoads(scope)) {
    const key = `${load.mixerId}/${load.formulaId}`;
    groups.set(key, [...(groups.get(key) ?? []), load]);
  }
  return [...groups.values()].map((newestFirst) => {
    const group = newestFirst.reverse();
    const { mixerId, formulaId } = group[0] as LoggedLoad;
    const setC = recordOf(book, 'mixers', mixerId)?.frictionC ?? 0;
    const mixes = group.map((load) => datedMix(load, book.house.timeZone));
    const { frictionC, loads, scatterC } = learnFriction(mixes, setC);
    const formula = recordOf(book, 'formulas', formulaId)?.formula;
    const masses = solidsOf(formula);
    const inFlour = mixes.map(({ prefermentTempC, ...mix }) => ({
      ...mix,
      flourTempC: solidsTempC(
        { ...mix, ...(prefermentTempC !== undefined && { prefermentTempC }) },
        masses,
      ),
    }));
    const learned = learnMixerLine(inFlour, setC);
    return {
      mixerId,
      formulaId,
      frictionC,
      loads,
      scatterC,
      line: learned.loads > 0 ? learned.line : null,
    };
  });
}

/** Flour and pre-ferment in a bowl, in parts of each other. */
function solidsOf(formula: Formula | undefined): { flourG: number; prefermentG: number } {
  const split = formula && splitMix(formula);
  if (!split?.ok) return { flourG: 1, prefermentG: 0 };
  const partOf = (wanted: string) =>
    split.value.finalMix.reduce(
      (sum, { kind, percent }) => sum + (kind === wanted ? percent : 0),
      0,
    );
  return { flourG: partOf('flour'), prefermentG: partOf('preferment') };
}

function datedMix(load: LoggedLoad, zone: string): DatedMix {
  const { roomTempC, flourTempC, waterTempC, prefermentTempC, doughOutC, startedAt } = load;
  return {
    date: localDateOf(startedAt, zone),
    roomTempC,
    flourTempC,
    waterTempC,
    doughOutC: doughOutC ?? NaN,
    ...(prefermentTempC !== null && { prefermentTempC }),
  };
}

/** How each mixer warms each dough, as learned or as the house has set it. */
export const frictionsOf = async (scope: Scope, house: House): Promise<MixerFriction[]> =>
  learnedFrictions(scope, await readBook(scope, house));
