import type { Retirable } from '@calm/contract';
import { fail, ok } from '@calm/core';
import type { Scope } from '../../database/scope';
import type { RecordName } from '../../store/recordName';
import {
  hasDoughUnderWay,
  hasFormulaFor,
  hasProbeIn,
  hasProductOf,
  readNeeds,
  readPlacesOnTheWay,
  readRetiredAt,
  writeRetiredAt,
} from '../../store/house/retirement';
import { noteChange } from '../access/recordWrite';
import { badInput, type Result } from '../result';

const NAMES = {
  products: 'product',
  formulas: 'formula',
  routes: 'route',
  mixers: 'mixer',
  places: 'place',
} as const satisfies Readonly<Record<Retirable, RecordName | 'formula'>>;

/** Whether something that the house offers, or dough under way, would be without it. */
const IS_NEEDED: Readonly<
  Record<Retirable, (scope: Scope, id: string, name: string, now: Date) => Promise<boolean>>
> = {
  products: (scope, id, _name, now) => hasDoughUnderWay(scope, id, now),
  formulas: (scope, id) => hasProductOf(scope, 'formulaId', id),
  routes: (scope, id) => hasProductOf(scope, 'routeId', id),
  mixers: (scope, id) => hasFormulaFor(scope, id),
  places: async (scope, id, name, now) =>
    (await hasProbeIn(scope, id)) || (await readPlacesOnTheWay(scope, now)).has(name),
};

/**
 * Offers something no more: nothing new is made of it, with it or in it, and what is on record keeps it. What is still
 * needed by something that is offered stays.
 */
export async function retire(
  scope: Scope,
  kind: Retirable,
  id: string,
  now: Date,
): Promise<Result<null>> {
  const what = NAMES[kind];
  const there = await readRetiredAt(scope, kind, id);
  if (!there) return fail({ kind: 'not-found', what });
  if (there.retiredAt) return ok(null);
  if (await IS_NEEDED[kind](scope, id, there.name, now)) return fail({ kind: 'in-use', what });
  await writeRetiredAt(scope, kind, id, now);
  noteChange(scope, what, id, { retiredAt: null }, { retiredAt: now.toISOString() });
  return ok(null);
}

/** Offers something again that was retired, once all that it needs is offered. */
export async function bringBack(scope: Scope, kind: Retirable, id: string): Promise<Result<null>> {
  const what = NAMES[kind];
  const there = await readRetiredAt(scope, kind, id);
  if (!there) return fail({ kind: 'not-found', what });
  if (!there.retiredAt) return ok(null);
  const needs = await readNeeds(scope, kind, id);
  const needed = await Promise.all(needs.map((need) => readRetiredAt(scope, ...need)));
  if (needed.some((each) => each?.retiredAt)) {
    return badInput(
      '',
      'retired.needs',
      'What it is made of or in is retired: bring that back first.',
    );
  }
  await writeRetiredAt(scope, kind, id, null);
  noteChange(scope, what, id, { retiredAt: there.retiredAt.toISOString() }, { retiredAt: null });
  return ok(null);
}
