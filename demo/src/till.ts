import { MINUTE_MS, QUARTER_MIN } from '@calm/core';
import {
  paths,
  type ForecastAnswer,
  type Service,
  type TillAnswer,
  type TillSale,
} from '@calm/contract';
import { forecastAt } from '@calm/domain';
import type { Line } from './line';
import { noise } from './noise';

/*
 * A till that stands in for a real one: it sells what the house expects, as the house's evenings go, and
 * posts like a real one does: some sales late, some of them twice because an answer was lost.
 */

/** Balls in one order at most. */
const MOST_AN_ORDER = 4;

/** What a till remembers between two posts. */
export interface TillMemory {
  /** Numbers that the house has acknowledged. */
  readonly acknowledged: Set<string>;
  round: number;
}

/** A number in [0, 1) that depends on the key alone: a till that starts again sells the same. */
const chance = (key: string) => Math.min(0.999999, (noise(key) + 1) / 2);

/** The orders of one product at one service, in time's order: as many balls as drawn, by the usage curve. */
export function ordersOf(
  { date, name, startsAt }: Service,
  productId: string,
  mean: number,
  curve: readonly number[],
): TillSale[] {
  const key = `${date}/${name}/${productId}`;
  const evening = mean * (1 + 0.15 * noise(`${key}/evening`));
  const orders: TillSale[] = [];
  let owed = 0;
  curve.forEach((share, quarter) => {
    owed += evening * share;
    for (let i = 0; owed >= 0.5; i += 1) {
      const at = `${key}/${quarter}/${i}`;
      const balls = Math.min(
        Math.max(1, Math.round(owed)),
        1 + Math.floor(MOST_AN_ORDER * chance(`${at}/balls`) ** 2),
      );
      owed -= balls;
      const minute = (quarter + chance(`${at}/minute`)) * QUARTER_MIN;
      orders.push({
        number: `${date}-${name}-${productId.slice(0, 8)}-${quarter}-${i}`.replace(/\s+/g, '_'),
        at: new Date(Date.parse(startsAt) + minute * MINUTE_MS).toISOString(),
        productId,
        balls,
      });
    }
  });
  return orders.sort((a, b) => (a.at < b.at ? -1 : 1));
}

/** Sales in one post at most, as the house takes them. */
const A_POST = 200;

/**
 * One round of the till: posts what has been sold by now and is not acknowledged. One sale in twenty waits
 * for the next round; every fifth round sends its last post again.
 *
 * @param line over which it reads what the house expects
 * @param till over which it posts
 * @returns how many the house has added
 */
export async function tillRound(
  line: Line,
  house: string,
  nowMs: number,
  memory: TillMemory,
  till: Pick<Line, 'post'> = line,
): Promise<number> {
  memory.round += 1;
  const today = new Date(nowMs - 12 * 60 * MINUTE_MS).toISOString().slice(0, 10);
  const [services, answer] = await Promise.all([
    line.get<Service[]>(paths.services(house, { from: today, days: 2 })),
    line.get<ForecastAnswer>(paths.forecast(house, { from: today, days: 2 })),
  ]);
  const due = services.flatMap((service) =>
    service.counts.flatMap(({ productId }) => {
      const isThis = (each: { productId: string }) => each.productId === productId;
      const mean = forecastAt(answer.forecasts, service, productId)?.mean;
      const usage = answer.usage.find((each) => isThis(each) && each.service === service.name);
      return mean !== undefined && usage ? ordersOf(service, productId, mean, usage.curve) : [];
    }),
  );
  const isLate = ({ number }: TillSale) => chance(`${number}/late/${memory.round}`) < 0.05;
  const wanted = due.filter(
    (sale) =>
      Date.parse(sale.at) <= nowMs && !memory.acknowledged.has(sale.number) && !isLate(sale),
  );
  let added = 0;
  for (let i = 0; i < wanted.length; i += A_POST) {
    const sales = wanted.slice(i, i + A_POST);
    added += (await till.post<TillAnswer>(paths.recordTillSales(house), { sales })).added;
    const isAgain = memory.round % 5 === 0;
    if (isAgain)
      added += (await till.post<TillAnswer>(paths.recordTillSales(house), { sales })).added;
    for (const { number } of sales) memory.acknowledged.add(number);
  }
  return added;
}
