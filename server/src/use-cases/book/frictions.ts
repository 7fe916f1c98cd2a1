import type { House, MixerFriction } from '@calm/contract';
import { readBook } from '../../store/house/houses';
import { learnFriction, type LoggedMix } from '@calm/core';
import { readLoggedLoads } from '../../store/lots/loads';
import type { Scope } from '../../database/scope';

type LoggedLoad = Awaited<ReturnType<typeof readLoggedLoads>>[number];

/**
 * What each mixer adds to each dough it has made, learned from the log. One dough has one method,
 * so its speed, minutes and hydration are alike.
 */
export async function learnedFrictions(
  scope: Scope,
  setFrictionC: (mixerId: string) => number,
): Promise<MixerFriction[]> {
  const loads = await readLoggedLoads(scope);
  const groups = new Map<string, LoggedLoad[]>();
  for (const load of loads) {
    const key = `${load.mixerId}/${load.formulaId}`;
    groups.set(key, [...(groups.get(key) ?? []), load]);
  }
  return [...groups.values()].map((group) => {
    const { mixerId, formulaId } = group[0] as LoggedLoad;
    const learned = learnFriction(group.map(loggedMix), setFrictionC(mixerId));
    return {
      mixerId,
      formulaId,
      frictionC: learned.frictionC,
      loads: learned.loads,
      scatterC: learned.scatterC,
    };
  });
}

function loggedMix(load: LoggedLoad): LoggedMix {
  const { roomTempC, flourTempC, waterTempC, prefermentTempC, doughOutC } = load;
  return {
    roomTempC,
    flourTempC,
    waterTempC,
    doughOutC: doughOutC ?? NaN,
    ...(prefermentTempC !== null && { prefermentTempC }),
  };
}

/** How much each mixer heats each dough, as learned or as the house has set it. */
export async function frictionsOf(scope: Scope, house: House): Promise<MixerFriction[]> {
  const { mixers } = await readBook(scope, house);
  return learnedFrictions(scope, (id) => mixers.find((mixer) => mixer.id === id)?.frictionC ?? 0);
}
