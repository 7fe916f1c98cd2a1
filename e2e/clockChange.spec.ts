import {
  paths,
  STANDARD_DISPLAY,
  type ColdRecord,
  type HouseBook,
  type Lot,
  type PublishedPlan,
} from '@calm/contract';
import { lineTo, loadLanternYard, planComingWeek } from '@calm/demo';
import { instantOf, localTimeOf } from '@calm/domain';
import { openDatabase } from '@calm/server';
import { expect, sessionOf, test } from './house';
import { startServer } from './server';

const MINUTE_MS = 60_000;

/** Nights in which the clock is put back and forward: the Sunday, and what it then is at 18:00 in UTC. */
const NIGHTS = [
  {
    where: 'Rome',
    zone: 'Europe/Rome',
    sunday: '2026-10-25',
    six: 'T17:00',
    hours: 25,
    reads: { ...STANDARD_DISPLAY, language: 'it' },
    // How its people read: the first day of a week, and the cold limit.
    sees: ['lun', /5,0\s°C/],
  },
  {
    where: 'New York',
    zone: 'America/New_York',
    sunday: '2027-03-14',
    six: 'T22:00',
    hours: 23,
    reads: {
      language: 'en-US',
      mass: 'us',
      temp: 'fahrenheit',
      clock: '12h',
      decimal: 'language',
      week: 'sunday',
    },
    sees: ['Sun', /41(\.0)?\s°F/],
  },
] as const;

for (const { where, zone, sunday, six, hours, reads, sees } of NIGHTS) {
  test(`the night of ${hours === 25 ? 'one hour more' : 'one hour less'} in ${where}: plan, pages and record hold`, async ({
    page,
    context,
    house,
  }) => {
    const saturday = instantOf(sunday, -500, zone).toISOString();
    const monday = instantOf(sunday, 1440 + 420, zone).toISOString();
    const load = async (now: string) => {
      const { db, pool } = openDatabase(process.env['E2E_DATABASE_URL'] ?? '');
      await loadLanternYard(db, { slug: house, timeZone: zone, now: new Date(now), weeks: 2 });
      await pool.end();
    };
    const cookie = async (url: string, at: string) => {
      await context.clearCookies();
      await context.addCookies([{ ...(await sessionOf(house, 'Maro', at)), url }]);
    };

    await test.step('what is planned across the night is done by the clock on the wall', async () => {
      await load(saturday);
      const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', saturday);
      try {
        const manager = lineTo(server.url, house, 'Maro');
        await planComingWeek(manager, house, new Date(saturday), 4);
        const { content } = await manager.get<PublishedPlan>(paths.plan(house));
        const steps = content.lots.flatMap((lot) => lot.steps.map((step) => ({ lot, step })));
        const atSix = new Date(`${sunday}${six}:00.000Z`);
        expect(localTimeOf(atSix, zone)).toBe(`${sunday} 18:00`);
        // Steps of people stay within their shifts by the clock on the wall, on both sides of the night.
        const inDay = steps.filter(({ step }) => step.personIds.length > 0);
        for (const { step } of inDay) {
          const local = localTimeOf(new Date(step.startMin * MINUTE_MS), zone);
          expect(Number(local.slice(11, 13))).toBeGreaterThanOrEqual(6);
        }
        await cookie(server.url, saturday);
        const mixing = steps.find(
          ({ step }) =>
            localTimeOf(new Date(step.startMin * MINUTE_MS), zone).slice(0, 10) === sunday,
        );
        expect(mixing).toBeDefined();
        const time = localTimeOf(new Date((mixing?.step.startMin ?? 0) * MINUTE_MS), zone).slice(
          11,
        );
        await page.goto(`${server.url}/${house}/plan`);
        await expect(page.getByRole('button', { name: new RegExp(time) }).first()).toBeAttached();
        const calendar = await context.request.get(`${server.url}${paths.planCalendar(house)}`);
        const utc = new Date((mixing?.step.startMin ?? 0) * MINUTE_MS)
          .toISOString()
          .replace(/[-:]|\.000/g, '');
        expect(await calendar.text()).toContain(`DTSTART:${utc}`);
      } finally {
        await server.stop();
      }
    });

    await test.step('the day has its hours in the record, and none is missing', async () => {
      await load(monday);
      const server = await startServer(process.env['E2E_DATABASE_URL'] ?? '', monday);
      try {
        const manager = lineTo(server.url, house, 'Maro');
        const { days } = await manager.get<ColdRecord>(
          paths.coldRecord(house, { from: sunday, days: 1 }),
        );
        expect(days.length).toBeGreaterThan(2);
        for (const { summary } of days) {
          // A probe tells every five minutes: before midnight less than that is not known yet.
          expect(summary?.unknownMin).toBeLessThan(5);
          // One each five minutes, but for a few that never came: nearer to the day's own hours than to 24.
          const minutes = 5 * (summary?.readings ?? 0);
          expect(Math.abs(minutes - hours * 60)).toBeLessThan(30);
        }
        await cookie(server.url, monday);
        await page.goto(`${server.url}/${house}/walk-in/record`);
        await expect(page.getByRole('heading', { name: 'Temperature log (HACCP)' })).toBeVisible();
        await page.goto(`${server.url}/${house}/tonight`);
        const book = await manager.get<HouseBook>(paths.book(house));
        expect(book.house.timeZone).toBe(zone);
        const lots = await manager.get<Lot[]>(paths.lots(house, { from: sunday, days: 2 }));
        for (const { doorsAt } of lots)
          expect(localTimeOf(new Date(doorsAt), zone)).toMatch(/:00$/);
        await expect(page.getByRole('heading', { level: 1 })).toBeVisible();

        // Both are in one database; each is read as its people read.
        const said = await context.request.put(`${server.url}${paths.changePreferences(house)}`, {
          data: reads,
          headers: { origin: server.url },
        });
        expect(said.status()).toBe(200);
        const [firstDay, limit] = sees;
        await page.goto(`${server.url}/${house}/crew`);
        await expect(page.getByRole('columnheader').first()).toHaveText(firstDay);
        await page.goto(`${server.url}/${house}/house`);
        await expect(page.getByText(limit).first()).toBeVisible();
      } finally {
        await server.stop();
      }
    });
  });
}
