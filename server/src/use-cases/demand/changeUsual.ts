import { fail, ok } from '@calm/core';
import type { HouseCalendar, UsualChange } from '@calm/contract';
import type { Scope } from '../../database/scope';
import { readProductIds } from '../../store/book/products';
import { patternRepository, readCalendar } from '../../store/demand/calendar';
import { writeUsual } from '../../store/demand/counts';
import { noteChange } from '../access/recordWrite';
import { badInput, type Result } from '../result';

/** Sets how many balls of each product usually go at a service of the week. */
export async function changeUsual(
  scope: Scope,
  patternId: string,
  { counts }: UsualChange,
): Promise<Result<HouseCalendar>> {
  if (!(await patternRepository.find(scope, patternId)))
    return fail({ kind: 'not-found', what: 'service' });
  const known = new Set(await readProductIds(scope));
  const strange = counts.findIndex(({ productId }) => !known.has(productId));
  if (strange >= 0)
    return badInput(`counts/${strange}/productId`, 'id.unknown', 'The house has no such product.');
  const before = (await readCalendar(scope)).usual;
  await writeUsual(scope, patternId, counts);
  const calendar = await readCalendar(scope);
  const of = (usual: HouseCalendar['usual']) => ({
    usual: usual.filter((each) => each.patternId === patternId),
  });
  noteChange(scope, 'service', patternId, of(before), of(calendar.usual));
  return ok(calendar);
}
