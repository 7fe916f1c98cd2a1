import { paths, type ForecastAnswer, type Service } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import * as t from '../../database/schema';
import { HOUSE, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
  const [row] = await house.db
    .select({ id: t.houses.id })
    .from(t.houses)
    .where(eq(t.houses.slug, HOUSE));
  const houseId = row?.id ?? '';
  // Saturdays and Sundays go on until two in the morning.
  await house.db.insert(t.servicePatterns).values(
    [6, 7].map((weekday) => ({
      id: randomUUID(),
      houseId,
      name: 'Late',
      weekday,
      startMin: 18 * 60,
      endMin: 26 * 60,
    })),
  );
});
afterAll(() => house.drop());

const HOUR = 3_600_000;
const lateOn = async (date: string) => {
  const services = await house.get<Service[]>(paths.services(HOUSE, { from: date, days: 1 }));
  const late = services.find(({ name }) => name === 'Late');
  if (!late) throw new Error(`no late service on ${date}`);
  const [startMs, endMs] = [Date.parse(late.startsAt), Date.parse(late.endsAt)];
  return { ...late, hours: (endMs - startMs) / HOUR };
};

describe('a service from 18:00 to 02:00', () => {
  it('belongs to the day it began on, and ends on the next', async () => {
    const late = await lateOn('2026-11-28');
    expect(late).toMatchObject({
      date: '2026-11-28',
      startsAt: '2026-11-28T17:00:00.000Z',
      endsAt: '2026-11-29T01:00:00.000Z',
      hours: 8,
    });
  });

  it('ends at two by the clock on the wall on the night when clocks go back or on', async () => {
    // Copenhagen: back on 25 October 2026 at 3:00, on on 28 March 2027 at 2:00.
    const autumn = await lateOn('2026-10-24');
    expect(autumn).toMatchObject({ endsAt: '2026-10-25T00:00:00.000Z', hours: 8 });
    const sunday = await lateOn('2026-10-25');
    expect(sunday).toMatchObject({ startsAt: '2026-10-25T17:00:00.000Z', hours: 8 });
    const spring = await lateOn('2027-03-27');
    expect(spring).toMatchObject({ startsAt: '2027-03-27T17:00:00.000Z' });
    // Two o'clock does not exist that night: it is three.
    expect([7, 8]).toContain(spring.hours);
    expect(Date.parse(spring.endsAt)).toBe(Date.parse('2027-03-28T01:00:00.000Z'));
  });

  it('is asked for, counted and forecast like any other', async () => {
    const late = await lateOn('2026-11-28');
    const [first] = late.counts;
    expect(first).toMatchObject({ count: 0, origin: 'usual' });
    const url = paths.changeCount(HOUSE, late.date, late.patternId, first?.productId ?? '');
    await house.http.put(url).send({ count: 40, version: 0 }).expect(200);
    expect((await lateOn('2026-11-28')).counts[0]).toMatchObject({ count: 40, origin: 'chosen' });
    const answer = await house.get<ForecastAnswer>(
      paths.forecast(HOUSE, { from: '2026-11-28', days: 2 }),
    );
    const late40 = answer.forecasts.filter(({ patternId }) => patternId === late.patternId);
    expect(late40).toHaveLength(late.counts.length);
    late40.forEach(({ parts }) => expect(parts[0]?.kind).toBe('usual'));
  });
});

describe('weeks when clocks change', () => {
  it.each([
    ['2026-10-19', 7 * 24 + 1],
    ['2027-03-22', 7 * 24 - 1],
  ])('the week of %s has %i hours and each service at its hour', async (monday, hours) => {
    const services = await house.get<Service[]>(paths.services(HOUSE, { from: monday, days: 8 }));
    const byClock = new Intl.DateTimeFormat('en-GB', {
      timeZone: 'Europe/Copenhagen',
      hour: '2-digit',
      minute: '2-digit',
    });
    for (const { name, startsAt } of services) {
      const at = { Lunch: '12:00', Dinner: '17:30', Late: '18:00' }[name];
      expect(byClock.format(Date.parse(startsAt))).toBe(at);
    }
    const tuesdays = services.filter(({ name }) => name === 'Dinner');
    const [first] = tuesdays;
    const last = await house.get<Service[]>(
      paths.services(HOUSE, {
        from: new Date(Date.parse(monday) + 8 * 24 * HOUR).toISOString().slice(0, 10),
        days: 1,
      }),
    );
    const nextTuesday = last.find(({ name }) => name === 'Dinner');
    expect(
      (Date.parse(nextTuesday?.startsAt ?? '') - Date.parse(first?.startsAt ?? '')) / HOUR,
    ).toBe(hours);
  });
});
