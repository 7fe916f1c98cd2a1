import { paths, type HouseBook, type LearnedNumbers, type Lot } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { eq } from 'drizzle-orm';
import * as t from '../../database/schema';
import { learnOnce } from '../../jobs/learning';
import { HOUSE, NOW, problemOf, roundStart, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const learned = () => house.get<LearnedNumbers>(paths.learned(HOUSE));
const decide = (id: string, version: number, state: string) =>
  house.http.put(paths.decideLearned(HOUSE, id)).send({ version, state });

describe('what a house learns from its lots', () => {
  it('is nothing before it was asked; then it is proposed, with the lots behind it', async () => {
    expect(await learned()).toEqual({ inForce: [], proposals: [], fit: null });
    expect(await learnOnce(house.db, new Date(NOW))).toBe(2);
    const { inForce, proposals, fit } = await learned();
    expect(inForce).toEqual([]);
    expect(fit?.lots).toBeGreaterThan(15);
    const film = proposals.find(({ name }) => name === 'film:lidded-tray');
    expect(film).toMatchObject({ state: 'proposed', version: 1 });
    // Its trays are slower than any are thought to be.
    expect(film?.factor).toBeLessThan(0.85);
    expect(film?.laterMin?.opens).toBeGreaterThan(10);
    expect(film?.riseErrorPercent.after).toBeLessThan(film?.riseErrorPercent.before ?? 0);
    expect(film?.lots.length).toBeGreaterThan(10);
    expect(film?.lots[0]).toMatch(/^[A-Z]{2}-\d{4}-[A-Z]$/);
  });

  it('is not asked again until another service is over', async () => {
    expect(await learnOnce(house.db, new Date(NOW))).toBe(0);
  });

  it('counts once it is accepted, for dough that begins then; what is under way keeps its own', async () => {
    const { proposals } = await learned();
    const film = proposals.find(({ name }) => name === 'film:lidded-tray');
    if (!film) throw new Error('it was proposed');
    const start = roundStart(await house.book());
    const before = (await house.http.post(paths.startLot(HOUSE)).send(start)).body as Lot;
    const stale = await decide(film.id, 7, 'accepted');
    expect(stale.status).toBe(409);
    const accepted = await decide(film.id, 1, 'accepted').expect(200);
    const { inForce } = accepted.body as LearnedNumbers;
    expect(inForce).toEqual([{ name: 'film:lidded-tray', factor: film.factor }]);
    const book = await house.get<HouseBook>(paths.book(HOUSE));
    expect(book.house.settings.learned).toEqual(inForce);
    const lots = await house.get<Lot[]>(paths.lots(HOUSE, { from: start.serviceDate, days: 1 }));
    expect(lots.find(({ id }) => id === before.id)?.recipe.settings.learned).toBeUndefined();
    await house.http.delete(paths.withdrawLot(HOUSE, before.id)).send({ version: before.version });
  });

  it('is taken back as it was', async () => {
    const { proposals } = await learned();
    const film = proposals.find(({ state }) => state === 'accepted');
    const back = await decide(film?.id ?? '', 2, 'taken-back').expect(200);
    expect((back.body as LearnedNumbers).inForce).toEqual([]);
    const nowhere = await decide('00000000-0000-4000-8000-000000000000', 1, 'later');
    expect(problemOf(nowhere).status).toBe(404);
  });

  it('is planned with, where it is minutes of work: on every route, once', async () => {
    const [row] = await house.db.select().from(t.houseFits);
    if (!row) throw new Error('it has learned');
    const work = [{ kind: 'weigh', personId: null, factor: 1.5, samples: 9 }];
    await house.db
      .update(t.houseFits)
      .set({ fit: { ...row.fit, work } })
      .where(eq(t.houseFits.houseId, row.houseId));
    const minutes = async () =>
      (await house.book()).routes.map(({ stages }) =>
        stages.flatMap((stage) =>
          stage.kind === 'work' && stage.key === 'weigh' ? [stage.rate.fixedMin] : [],
        ),
      );
    const before = await minutes();
    const plan = () => house.http.post(paths.planLearnedWork(HOUSE)).send({ kind: 'weigh' });
    const { fit } = (await plan().expect(200)).body as LearnedNumbers;
    expect(fit?.work).toEqual([]);
    expect(await minutes()).toEqual(
      before.map((each) => each.map((min) => expect.closeTo(1.5 * min, 1))),
    );
    expect(problemOf(await plan()).status).toBe(404);
  });

  it('that was left for later is not proposed again by the same lots', async () => {
    const { proposals } = await learned();
    const open = proposals.find(({ state }) => state === 'proposed');
    await decide(open?.id ?? '', 1, 'later').expect(200);
    await house.http.post(paths.learnNow(HOUSE)).expect(200);
    const after = (await learned()).proposals;
    expect(after.filter(({ name }) => name === open?.name)).toHaveLength(1);
  });
});
