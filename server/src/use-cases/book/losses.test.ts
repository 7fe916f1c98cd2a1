import { paths, type Lot } from '@calm/contract';
import { residueOf } from '@calm/domain';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const put = (lot: Lot, change: object, of = HOUSE) =>
  house.http.put(paths.changeLosses(of, lot.id)).send({ version: lot.version, ...change });
const weighedLot = async () => {
  const lot = (await house.lots('2026-11-18', 7)).find(({ leftG }) => leftG !== null);
  if (!lot) throw new Error('the demo house has weighed its lots');
  return lot;
};

describe('what a lot left behind', () => {
  it('is written, shown, and taken back', async () => {
    const lot = await weighedLot();
    const written = await put(lot, { leftG: 410, trimG: 55 });
    expect(written.body).toMatchObject({ leftG: 410, trimG: 55, version: lot.version + 1 });
    const back = await put(written.body as Lot, { leftG: null, trimG: null });
    expect(back.body).toMatchObject({ leftG: null, trimG: null });
    await put(back.body as Lot, { leftG: lot.leftG, trimG: lot.trimG }).expect(200);
  });

  it('is not written over what somebody else wrote, nor into another house, nor below nothing', async () => {
    const lot = await weighedLot();
    const change = { leftG: 1, trimG: null };
    const late = await put({ ...lot, version: lot.version - 1 }, change);
    expect(problemOf<Lot>(late).current).toMatchObject({ leftG: lot.leftG });
    expect((await put(lot, change, 'other-yard')).status).toBe(404);
    const wrong = problemOf(await put(lot, { leftG: -5, trimG: 300_000 }));
    expect(wrong.errors).toMatchObject([{ path: 'leftG' }, { path: 'trimG' }]);
  });
});

describe('what the house learns from it', () => {
  it('comes near to what the demo house really leaves, from its own setting', async () => {
    const book = await house.book();
    const { residue, trims } = book.losses;
    // True are 95 g a load and 0.7 %; set are 60 g and 0.8 %: compared over a usual load of 30 kg.
    const over = ({ perLoadG, percent }: { perLoadG: number; percent: number }) =>
      perLoadG + 300 * percent;
    expect(Math.abs(over(residueOf(book)) - over({ perLoadG: 95, percent: 0.7 }))).toBeLessThan(15);
    expect(residue?.lots).toBeGreaterThan(40);
    const crackle = book.products.find(({ slug }) => slug === 'crackle');
    const trim = trims.find(({ productId }) => productId === crackle?.id);
    expect(trim?.percent).toBeCloseTo(6.2, 0);
    expect(crackle?.trimPercent).toBe(7);
  });
});
