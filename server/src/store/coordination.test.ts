import { STANDARD_COLD_RULES } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq, sql } from 'drizzle-orm';
import * as t from '../database/schema';
import { lookOnce } from '../jobs/coldWatch';
import { NOW, startHouse } from '../test-support/testHouse';
import { endLease, holdLease } from './coordination';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

describe('of several processes on one database', () => {
  it('one has a job, until it no longer says so', async () => {
    const { db } = house;
    const asked = ['one', 'two', 'three'].map((holder) => holdLease(db, 'sweep', holder, 60));
    const got = await Promise.all(asked);
    expect(got.filter(Boolean)).toHaveLength(1);
    const holder = ['one', 'two', 'three'][got.indexOf(true)] ?? '';
    expect(await holdLease(db, 'sweep', holder, 60)).toBe(true);
    expect(await holdLease(db, 'sweep', 'four', 60)).toBe(false);
    expect(await holdLease(db, 'another job', 'four', 60)).toBe(true);
    const past = sql`date_sub(utc_timestamp(3), interval 1 second)`;
    await db
      .update(t.leases)
      .set({ until: past as never })
      .where(eq(t.leases.job, 'sweep'));
    expect(await holdLease(db, 'sweep', 'four', 60)).toBe(true);
    expect(await holdLease(db, 'sweep', holder, 60)).toBe(false);
    // Who stops gives it back: nobody waits for it.
    await endLease(db, 'sweep', holder);
    expect(await holdLease(db, 'sweep', holder, 60)).toBe(false);
    await endLease(db, 'sweep', 'four');
    expect(await holdLease(db, 'sweep', holder, 60)).toBe(true);
  });

  it('two that look at the cold at the same moment find each alarm once', async () => {
    const later = new Date(Date.parse(NOW) + (STANDARD_COLD_RULES.silentMin + 30) * 60_000);
    const before = (await house.db.select().from(t.coldAlarms)).length;
    await Promise.all(Array.from({ length: 4 }, () => lookOnce(house.db, later)));
    const rows = await house.db.select().from(t.coldAlarms);
    expect(rows.length).toBeGreaterThan(before);
    const each = rows.map(
      ({ probeId, kind, fromAt }) => `${probeId} ${kind} ${fromAt.toISOString()}`,
    );
    expect(new Set(each).size).toBe(each.length);
  });
});
