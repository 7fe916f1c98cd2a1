import { describe, expect, it } from '@jest/globals';
import { WEEKS_OF_HISTORY } from './history';
import { usual } from '../lanternYard';
import { makeSales, quartersOf } from './sales';

const WEDNESDAY = new Date('2026-11-25T14:40:00Z');
const { sales, events } = makeSales(WEDNESDAY);

describe('what Lantern Yard sold', () => {
  it('is ten weeks up to yesterday, the same each time', () => {
    const dates = sales.map(({ date }) => date);
    expect(dates.at(-1)).toBe('2026-11-24');
    expect(new Set(dates).size).toBe(WEEKS_OF_HISTORY * 6);
    expect(makeSales(WEDNESDAY)).toEqual({ sales, events });
  });

  it('lies around the usual counts, and is never more than was made', () => {
    for (const name of ['Lunch', 'Dinner']) {
      const rounds = sales.filter(
        ({ service, product }) => service.name === name && product === 'yard-round',
      );
      const sold = rounds.reduce((sum, sale) => sum + sale.sold, 0);
      const usually = rounds.reduce(
        (sum, { service }) => sum + (usual[name]?.['yard-round']?.[service.weekday - 1] ?? 0),
        0,
      );
      expect(Math.abs(sold / usually - 1)).toBeLessThan(0.08);
    }
  });

  it('has a festival, a heatwave and a power cut in it, and a festival ahead', () => {
    const names = events.map(({ name }) => name);
    expect(new Set(names)).toEqual(new Set(['Harbour festival', 'Heatwave', 'Power cut']));
    expect(events.at(-1)).toMatchObject({ name: 'Harbour festival', date: '2026-11-28' });
  });

  it('ran out now and then, inside the service', () => {
    const out = sales.filter(({ soldOutMin }) => soldOutMin !== null);
    expect(out.length).toBeGreaterThan(3);
    expect(out.length).toBeLessThan(sales.length / 8);
    for (const { soldOutMin, service } of out) {
      expect(soldOutMin).toBeGreaterThan(service.startMin);
      expect(soldOutMin).toBeLessThan(service.endMin);
    }
  });

  it('went by quarter hours that add up to it, in the last four weeks', () => {
    const quarters = quartersOf(sales, WEDNESDAY);
    expect(quarters[0]?.sale.date).toBe('2026-10-28');
    const sums = new Map<object, number>();
    for (const { sale, sold } of quarters) sums.set(sale, (sums.get(sale) ?? 0) + sold);
    for (const [sale, sum] of sums) expect(sum).toBe((sale as { sold: number }).sold);
  });

  it('left balls only where fewer went than were made, and only at the end of a day', () => {
    for (const { leftBalls, service, soldOutMin } of sales) {
      if (service.name === 'Lunch') expect(leftBalls).toBeNull();
      else expect(leftBalls).toBeGreaterThanOrEqual(0);
      if (soldOutMin !== null) expect(leftBalls ?? 0).toBe(0);
    }
  });
});
