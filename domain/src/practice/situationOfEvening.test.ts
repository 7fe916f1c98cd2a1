import type { Sale, Service } from '@calm/contract';
import { practiceWeekSchema, situationSchema } from '@calm/contract/schemas';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { practiceEvening } from './practiceEvening';
import { eveningDoughs } from './readingDoughs';
import { situationOfEvening, weekOfEvenings } from './situationOfEvening';

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
const past = { service, curve: null, coldBy: 1.5, roomC: null, doughs: [] };

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

  it('has its doughs as they went, and the room that a probe read before the one they were mixed in', () => {
    const went = { olderH: 3.21, doughBy: 1.5, yeast: 1.123, strength: 0.9, roomC: 30 };
    const sales = [sale(first.id, 110), sale(second.id, 33)];
    const evening = { ...past, sales, doughs: [{ ...went, productId: first.id }] };
    const usualC = book.house.settings.usualTempsC.room;
    const told = situationOfEvening(book, evening, 'Friday');
    expect(situationSchema.validate(told).error).toBeUndefined();
    expect(told).toMatchObject({ olderH: [3.2, 0], doughBy: [1.5, 0], yeast: 1.12, strength: 0.9 });
    expect(told?.benchBy).toBeCloseTo(30 - usualC, 9);
    const probed = situationOfEvening(book, { ...evening, roomC: usualC + 2 }, 'Friday');
    expect(probed?.benchBy).toBe(2);
    const really = told && practiceEvening(book, told)?.really.doughs[0]?.route;
    const believed = told && practiceEvening(book, told)?.believed.doughs[0]?.route;
    expect((really?.doughTempC ?? 0) - (believed?.doughTempC ?? 0)).toBeCloseTo(1.5, 9);
  });

  it('counts guests who came when nothing was left', () => {
    const out = situationOfEvening(book, { ...past, sales: [sale(first.id, 100, 120)] }, 'Friday');
    expect(out?.guests).toBeCloseTo(2, 1);
  });

  it('goes with those of the days after it as a week, the last of them where they are many', () => {
    const days = ['16', '17', '18', '19', '20', '21', '22', '23'].map((day) => ({
      ...past,
      service: { ...service, date: `2026-11-${day}` },
      sales: [{ ...sale(first.id, 90), date: `2026-11-${day}` }],
    }));
    const week = weekOfEvenings(book, days, ({ service: { date } }) => date, 'A week');
    expect(practiceWeekSchema.validate(week).error).toBeUndefined();
    expect(week?.evenings.map(({ title }) => title)).toEqual(
      days.slice(1).map(({ service: { date } }) => date),
    );
    expect(weekOfEvenings(book, days.slice(0, 1), () => 'one', 'A week')).toBeNull();
  });

  it('is none where nothing was sold', () => {
    expect(situationOfEvening(book, { ...past, sales: [] }, 'Friday')).toBeNull();
  });
});
