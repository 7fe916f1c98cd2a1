import { ok } from '@calm/core';
import type { HouseSet } from '@calm/domain/houses';
import type { Scope } from '../../database/scope';
import { writeUsual } from '../../store/demand/counts';
import { shiftPatterns } from '../access/crew';
import { ingredients, products, routes } from '../book/bookRecords';
import { startFormula } from '../book/saveFormula';
import { servicePatterns } from '../demand/demandRecords';
import type { Result } from '../result';
import { mixers } from './mixers';
import { places } from './places';

/** Puts a whole set into a house that has nothing yet but its owner. */
export async function fillHouse(
  scope: Scope,
  set: HouseSet,
  ownerId: string,
  now: Date,
): Promise<Result<null>> {
  const mixerIds = await addedAll(
    set.mixers.map((mixer) => ({ ...mixer, outOfOrder: null })),
    (content) => mixers.add(scope, content),
  );
  if (!mixerIds.ok) return mixerIds;
  const mixerId = named(set.mixers, mixerIds.value);
  for (const step of [
    () => addedAll(set.places, (content) => places.add(scope, content)),
    () => addedAll(set.pantry, (content) => ingredients.add(scope, content)),
  ]) {
    const result = await step();
    if (!result.ok) return result;
  }
  const routeIds = await addedAll(set.routes, (content) => routes.add(scope, content));
  if (!routeIds.ok) return routeIds;
  const routeId = named(set.routes, routeIds.value);
  const formulaIds = await addedAll(set.formulas, ({ code, mixer, ...content }) =>
    startFormula(
      scope,
      { code, note: NOTE, content: { ...content, mixerId: mixerId(mixer) } },
      now,
    ),
  );
  if (!formulaIds.ok) return formulaIds;
  const formulaId = named(
    set.formulas.map(({ code }) => ({ name: code })),
    formulaIds.value,
  );
  const productIds = await addedAll(set.products, ({ formula, route, ...content }) =>
    products.add(scope, { ...content, formulaId: formulaId(formula), routeId: routeId(route) }),
  );
  if (!productIds.ok) return productIds;
  const productId = named(set.products, productIds.value);
  for (const { usual, weekdays, ...service } of set.services) {
    const patterns = await addedAll(weekdays, (weekday) =>
      servicePatterns.add(scope, { ...service, weekday, firstDate: null, lastDate: null }),
    );
    if (!patterns.ok) return patterns;
    const counts = Object.entries(usual).map(([product, count]) => ({
      productId: productId(product),
      count,
    }));
    for (const patternId of patterns.value) await writeUsual(scope, patternId, counts);
  }
  const shifts = set.owner.shifts.flatMap(({ weekdays, ...hours }) =>
    weekdays.map((weekday) => ({ personId: ownerId, weekday, ...hours })),
  );
  const kept = await addedAll(shifts, (content) => shiftPatterns.add(scope, content));
  return kept.ok ? ok(null) : kept;
}

const NOTE = 'As it came with the starter set';

/** Ids of what was added, in order; the first that cannot be ends it. */
async function addedAll<Content>(
  contents: readonly Content[],
  add: (content: Content) => Promise<Result<{ readonly id: string }>>,
): Promise<Result<string[]>> {
  const ids: string[] = [];
  for (const content of contents) {
    const result = await add(content);
    if (!result.ok) return result;
    ids.push(result.value.id);
  }
  return ok(ids);
}

/** Finds the id of what is named; a set names nothing that it does not have. */
function named(contents: readonly { readonly name: string }[], ids: readonly string[]) {
  const byName = new Map(contents.map(({ name }, i) => [name, ids[i] ?? '']));
  return (name: string): string => byName.get(name) ?? '';
}
