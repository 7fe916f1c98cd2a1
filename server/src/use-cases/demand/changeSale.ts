import { ok, fail } from '@calm/core';
import { servicesOn } from '@calm/domain';
import type { Sale, SaleChange } from '@calm/contract';
import { productRepository } from '../../store/book/products';
import { findSale, writeSale, type SaleKey } from '../../store/demand/sales';
import type { Scope } from '../../database/scope';
import { readCalendar } from '../../store/demand/calendar';
import { noteChange } from '../access/recordWrite';
import { badInput, type Result } from '../result';

/** What a sale is when nobody has written it down. */
const unsold = (key: SaleKey): Sale => ({
  ...key,
  sold: 0,
  soldOutMin: null,
  leftBalls: null,
  version: 0,
});

/** Writes down what a service sold, when it ran out, and what was left. */
export async function changeSale(
  scope: Scope,
  key: SaleKey,
  change: SaleChange,
): Promise<Result<Sale>> {
  const held = servicesOn(await readCalendar(scope), key.date);
  const service = held.find(({ pattern }) => pattern.id === key.patternId);
  if (!service) return fail({ kind: 'not-found', what: 'service' });
  if (!(await productRepository.find(scope, key.productId)))
    return fail({ kind: 'not-found', what: 'product' });
  const outMin = change.sale?.soldOutMin ?? null;
  if (outMin !== null && (outMin < service.startMin || outMin > service.endMin)) {
    return badInput(
      'sale/soldOutMin',
      'time.outside',
      'That is outside the service: the last ball goes between its start and its end.',
    );
  }
  const before = await findSale(scope, key);
  const isWritten = await writeSale(scope, key, change.sale, change.version);
  const current = (await findSale(scope, key)) ?? unsold(key);
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  const after = change.sale && current;
  noteChange(scope, 'sale', `${key.date}/${key.patternId}/${key.productId}`, before, after);
  return ok(current);
}
