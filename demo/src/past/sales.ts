import { addDays, localDateOf, weekdayOf } from '@calm/domain';
import { WEEKS_OF_HISTORY } from './history';
import { services, TIME_ZONE, usual } from '../lanternYard';
import { noise } from '../noise';

/*
 * What Lantern Yard sold: the usual of its weekdays, growing a little, scattered, with a festival, a
 * heatwave and a power cut in it. Balls that were made bound what could be sold.
 */

/** A service's sale of one product, by the demo's own keys. */
export interface DemoSale {
  readonly date: string;
  readonly service: (typeof services)[number];
  readonly product: string;
  readonly sold: number;
  readonly soldOutMin: number | null;
  /** Counted by whoever closes; lunch leaves its balls to dinner. */
  readonly leftBalls: number | null;
}

interface DemoEvent {
  readonly date: string;
  readonly name: string;
  readonly expectedPercent: number;
  readonly note: string;
}

const GROWTH_A_WEEK = 0.006;
const SCATTER = 0.17;
/** The house makes a little more than usual. */
const MADE = 1.15;
/** What is worth keeping for another day; the rest is the crew's supper. */
const KEPT = ['yard-round'];
/** Days before today. */
const FESTIVAL = [24, 25, 52, 53];
const HEATWAVE = { first: 40, last: 34 };
const POWER_CUT = 12;
/** The next festival is ahead. */
const FESTIVAL_AHEAD = 3;

/** Sales and events up to yesterday, and the event that is ahead. */
export function makeSales(
  now: Date,
  weeks = WEEKS_OF_HISTORY,
): { readonly sales: readonly DemoSale[]; readonly events: readonly DemoEvent[] } {
  const today = localDateOf(now, TIME_ZONE);
  const sales: DemoSale[] = [];
  const events: DemoEvent[] = [];
  for (let daysAgo = weeks * 7; daysAgo >= -FESTIVAL_AHEAD; daysAgo -= 1) {
    const date = addDays(today, -daysAgo);
    const event = eventOn(date, daysAgo);
    if (event) events.push(event);
    if (daysAgo <= 0) continue;
    const weekday = weekdayOf(date);
    for (const service of services.filter((each) => each.weekday === weekday)) {
      for (const [product, week] of Object.entries(usual[service.name] ?? {})) {
        sales.push(saleOf(date, daysAgo, service, product, week[weekday - 1] ?? 0, event));
      }
    }
  }
  return { sales, events };
}

function saleOf(
  date: string,
  daysAgo: number,
  service: (typeof services)[number],
  product: string,
  usually: number,
  event: DemoEvent | null,
): DemoSale {
  const key = `${date}/${service.name}`;
  const evening = 1 + SCATTER * 0.7 * (noise(`${key}/guests`) + noise(`${key}/weather`));
  const own = 1 + SCATTER * 0.6 * noise(`${key}/${product}`);
  const growth = 1 - GROWTH_A_WEEK * (daysAgo / 7);
  const effect = event ? (event.expectedPercent / 100) * (1 + 0.06 * noise(`${key}/event`)) : 1;
  const cut = daysAgo === POWER_CUT && service.name === 'Dinner' ? 0.45 : 1;
  const wanted = usually * growth * evening * own * effect * cut;
  const made = Math.round(usually * MADE * Math.max(1, event ? event.expectedPercent / 100 : 1));
  const sold = Math.max(0, Math.min(made, Math.round(wanted)));
  const isSoldOut = wanted > made + 0.5 && made > 0;
  const length = service.endMin - service.startMin;
  return {
    date,
    service,
    product,
    sold,
    soldOutMin: isSoldOut
      ? service.startMin + 5 * Math.round((length * Math.min(0.97, made / wanted)) / 5)
      : null,
    leftBalls: service.name === 'Dinner' ? (KEPT.includes(product) ? made - sold : 0) : null,
  };
}

/** Share of a service that has gone when this share of its time has: slow, then all at once, then slow. */
const goneBy = (time: number) => {
  const t = Math.min(1, Math.max(0, time));
  return 0.35 * t + 0.65 * t * t * (3 - 2 * t);
};

/** Quarter hours are known of the last weeks only: the till is new. */
const WEEKS_OF_QUARTERS = 4;
const QUARTER_MIN = 15;

/** How each sale of the last weeks went by quarter hours. */
export function quartersOf(
  sales: readonly DemoSale[],
  now: Date,
): { readonly sale: DemoSale; readonly quarter: number; readonly sold: number }[] {
  const from = addDays(localDateOf(now, TIME_ZONE), -7 * WEEKS_OF_QUARTERS);
  return sales
    .filter(({ date }) => date >= from)
    .flatMap((sale) => {
      const { service, soldOutMin, sold } = sale;
      const length = (soldOutMin ?? service.endMin) - service.startMin;
      const quarters = Math.ceil(length / QUARTER_MIN);
      const early = 1 + 0.25 * noise(`${sale.date}/${service.name}/early`);
      const goneAt = (quarter: number) =>
        Math.round(sold * goneBy((quarter * QUARTER_MIN) / length) ** early);
      return Array.from({ length: quarters }, (_, quarter) => ({
        sale,
        quarter,
        sold: goneAt(quarter + 1) - goneAt(quarter),
      })).filter((each) => each.sold > 0);
    });
}

function eventOn(date: string, daysAgo: number): DemoEvent | null {
  if (FESTIVAL.includes(daysAgo) || daysAgo === -FESTIVAL_AHEAD) {
    return { date, name: 'Harbour festival', expectedPercent: 135, note: 'Stage on the quay.' };
  }
  if (daysAgo <= HEATWAVE.first && daysAgo >= HEATWAVE.last) {
    return { date, name: 'Heatwave', expectedPercent: 85, note: '' };
  }
  if (daysAgo === POWER_CUT) {
    return { date, name: 'Power cut', expectedPercent: 60, note: 'Dark from 19:20.' };
  }
  return null;
}
