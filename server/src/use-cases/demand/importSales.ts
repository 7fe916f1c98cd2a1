import { ok, fail } from '@calm/core';
import { servicesOn, addDays } from '@calm/domain';
import type {
  ImportedSale,
  SalesImport,
  HouseCalendar,
  SalesImportResult,
  FieldError,
  Sale,
} from '@calm/contract';
import { readProductIdsEver } from '../../store/book/products';
import { putSales, readSales } from '../../store/demand/sales';
import type { Scope } from '../../database/scope';
import { readCalendar } from '../../store/demand/calendar';
import { type Result } from '../result';

const MOST_ERRORS = 50;

/**
 * Takes history in, or says what it would come to. The same rows twice are there once, so that a file
 * that was cut off is simply brought in again.
 */
export async function importSales(
  scope: Scope,
  { sales, over, isTrial }: SalesImport,
  today: string,
): Promise<Result<SalesImportResult>> {
  const errors = faults(sales, await readCalendar(scope), await readProductIdsEver(scope), today);
  if (errors.length > 0) return fail({ kind: 'bad-input', errors });
  const dates = sales.map(({ date }) => date).sort();
  const [from = '', to = ''] = [dates[0], dates.at(-1)];
  const there = new Map((await readSales(scope, from, addDays(to, 1))).map((s) => [keyOf(s), s]));
  const added: ImportedSale[] = [];
  const different: ImportedSale[] = [];
  for (const sale of sales) {
    const now = there.get(keyOf(sale));
    if (!now) added.push(sale);
    else if (!isSame(now, sale)) different.push(sale);
  }
  if (!isTrial) await putSales(scope, over === 'replace' ? [...added, ...different] : added);
  return ok({
    added: added.length,
    different: different.length,
    same: sales.length - added.length - different.length,
  });
}

const keyOf = ({ date, patternId, productId }: Pick<Sale, 'date' | 'patternId' | 'productId'>) =>
  `${date}/${patternId}/${productId}`;

/** Whether the house knows already all that a file tells of a service. */
const isSame = (now: Sale, { sold, soldOutMin, leftBalls }: ImportedSale) =>
  now.sold === sold &&
  (soldOutMin === undefined || soldOutMin === now.soldOutMin) &&
  (leftBalls === undefined || leftBalls === now.leftBalls);

function faults(
  sales: readonly ImportedSale[],
  calendar: HouseCalendar,
  productIds: readonly string[],
  today: string,
): FieldError[] {
  const held = new Map<string, Set<string>>();
  const heldOn = (date: string) => {
    const known = held.get(date);
    if (known) return known;
    const ids = new Set(servicesOn(calendar, date).map(({ pattern }) => pattern.id));
    held.set(date, ids);
    return ids;
  };
  const products = new Set(productIds);
  const seen = new Set<string>();
  return sales
    .flatMap((sale, i): FieldError[] => {
      const wrong = (path: string, code: string, message: string) => [
        { path: `sales/${i}/${path}`, code, message: `Row ${i + 1}: ${message}` },
      ];
      if (sale.date > today) return wrong('date', 'at.outside', `${sale.date} is to come.`);
      if (!heldOn(sale.date).has(sale.patternId))
        return wrong('patternId', 'id.unknown', `there is no such service on ${sale.date}.`);
      if (!products.has(sale.productId))
        return wrong('productId', 'id.unknown', 'the house has no such product.');
      const key = keyOf(sale);
      if (seen.has(key))
        return wrong('', 'row.twice', 'the same service and product is here twice.');
      seen.add(key);
      return [];
    })
    .slice(0, MOST_ERRORS);
}
