import { ok, fail } from '@calm/core';
import { servicesOn } from '@calm/domain';
import type { CountChange, CountsChange, ProductCount } from '@calm/contract';
import { readCount, writeCount, type CountKey } from '../../store/demand/counts';
import { productRepository } from '../../store/book/products';
import type { Scope } from '../../database/scope';
import { readCalendar } from '../../store/demand/calendar';
import { noteChange } from '../access/recordWrite';
import { type Result } from '../result';

/** Sets how many balls of a product a service wants, or puts it back to the usual. */
export async function changeCount(
  scope: Scope,
  key: CountKey,
  change: CountChange,
): Promise<Result<ProductCount>> {
  const held = servicesOn(await readCalendar(scope), key.date);
  if (!held.some(({ pattern }) => pattern.id === key.patternId))
    return fail({ kind: 'not-found', what: 'service' });
  if (!(await productRepository.find(scope, key.productId)))
    return fail({ kind: 'not-found', what: 'product' });

  const before = await readCount(scope, key);
  const isWritten = await writeCount(scope, key, change.count, change.version);
  const current = await readCount(scope, key);
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  noteChange(scope, 'count', `${key.date}/${key.patternId}/${key.productId}`, before, current);
  return ok(current);
}

/** Sets several counts. The first that cannot be ends it, and the transaction takes back the ones before. */
export async function changeCounts(
  scope: Scope,
  { counts }: CountsChange,
): Promise<Result<ProductCount[]>> {
  const written: ProductCount[] = [];
  for (const { date, patternId, productId, ...change } of counts) {
    const result = await changeCount(scope, { date, patternId, productId }, change);
    if (!result.ok) return result;
    written.push(result.value);
  }
  return ok(written);
}
