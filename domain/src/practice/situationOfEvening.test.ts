import type { Sale, Service } from '@calm/contract';
import { situationSchema } from '@calm/contract/schemas';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { practiceEvening } from './practiceEvening';
import { eveningDoughs } from './readingDoughs';
import { situationOfEvening } from './situationOfEvening';

const book = exampleBook();
const [first, second] = eveningDoughs(book).map(({ product }) => product);
if (!first || !second) throw new Error('the demo has doughs');

const service: Service = {
  patternId: 'Dinner-Fri',
  name: 'dinner',
  date: '2026-11-20',
  startsAt: '2026-11-20T17:00:00.000Z',
  endsAt: '2026-11-20T21:00:00.000Z',
  counts: [
    { productId: first.id, count: 100, version: 1 },
    { productId: second.id, count: 30, version: 1 },
  ] as unknown as Service['counts'],
};
const sale = (productId: string, sold: number, soldOutMin: number | null = null): Sale => ({
  date: service.date,
  patternId: service.patternId,
  productId,
  sold,
  soldOutMin,
  leftBalls: null,
  version: 1,
});
const past = { service, curve: null, coldBy: 1.5 };

describe('an evening of the past, to be practised', () => {
  it('has its guests, its trays and its cold, keeps to the schema, and names nobody', () => {
    const told = situationOfEvening(
      book,
      { ...past, sales: [sale(first.id, 110), sale(second.id, 33)] },
      'Friday dinner',
    );
    expect(situationSchema.validate(told).error).toBeUndefined();
    expect(told?.guests).toBeCloseTo(1.1, 2);
    expect(told?.serviceMin).toBe(240);
    expect(told?.coldBy).toBe(1.5);
    expect(told?.trays).toEqual([
      Math.min(12, Math.ceil(100 / first.ballsPerTray)),
      Math.ceil(30 / second.ballsPerTray),
    ]);
    expect(told && practiceEvening(book, told)?.products).toHaveLength(2);
  });

  it('counts guests who came when nothing was left', () => {
    const out = situationOfEvening(book, { ...past, sales: [sale(first.id, 100, 120)] }, 'Friday');
    expect(out?.guests).toBeCloseTo(2, 1);
  });

  it('is none where nothing was sold', () => {
    expect(situationOfEvening(book, { ...past, sales: [] }, 'Friday')).toBeNull();
  });
});
