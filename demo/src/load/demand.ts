import { schema as t, type Queries } from '@calm/server';
import { makeSales, quartersOf } from '../past/sales';
import { inBatches, type Ids, patternId } from './inserting';

export async function insertSales(
  tx: Queries,
  houseId: string,
  id: Ids,
  now: Date,
  weeks?: number,
) {
  const { sales, events } = makeSales(now, weeks);
  await inBatches(sales, (batch) =>
    tx.insert(t.sales).values(
      batch.map(({ service, product, ...sale }) => ({
        houseId,
        patternId: patternId(id, service),
        productId: id(`product/${product}`),
        ...sale,
      })),
    ),
  );
  await inBatches(quartersOf(sales, now), (batch) =>
    tx.insert(t.quarterSales).values(
      batch.map(({ sale: { date, service, product }, quarter, sold }) => ({
        houseId,
        date,
        patternId: patternId(id, service),
        productId: id(`product/${product}`),
        quarter,
        sold,
      })),
    ),
  );
  await inBatches(events, (batch) =>
    tx.insert(t.events).values(
      batch.map((event) => ({
        id: id(`event/${event.date}`),
        houseId,
        patternId: null,
        ...event,
      })),
    ),
  );
}
