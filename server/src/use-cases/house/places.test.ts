import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { paths, STANDARD_KITCHEN, type Place } from '@calm/contract';
import { traysIn } from '@calm/domain';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

type House = Awaited<ReturnType<typeof startHouse>>;
let house: House;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const contentOf = ({ id: _i, version: _v, ...content }: Place) => content;

describe('a place', () => {
  it('comes with the book, with room for so many trays', async () => {
    const { places } = await house.book();
    expect(places.map((place) => [place.name, traysIn(place)])).toEqual([
      ['Bench', 8],
      ['Oven side', 48],
      ['Proof cabinet', 28],
      ['Under-counter', 12],
      ['Walk-in', 96],
    ]);
    expect(places.filter(({ room }) => room !== null).map(({ name }) => name)).toEqual([
      'Under-counter',
      'Walk-in',
    ]);
  });

  it('is added, changed over the version that was read, and taken away', async () => {
    const [first] = (await house.book()).places;
    if (!first) throw new Error('the demo has places');
    const content = { ...contentOf(first), name: 'Cellar', tubs: 3 };
    const added = await house.http.post(paths.addPlace(HOUSE)).send(content);
    expect(added.status).toBe(201);
    expect(added.body).toMatchObject({ ...content, version: 1 });

    const at = paths.changePlace(HOUSE, added.body.id);
    const zones = [{ name: 'shelf', positions: 5, warmerC: -1 }];
    const change = { version: 1, content: { ...content, zones } };
    expect((await house.http.put(at).send(change)).body).toMatchObject({ zones, version: 2 });
    const stale = problemOf<Place>(await house.http.put(at).send(change));
    expect(stale).toMatchObject({ type: '/problems/stale', current: { version: 2 } });

    expect((await house.http.delete(at)).status).toBe(200);
    expect((await house.http.delete(at)).status).toBe(404);
  });

  it('has a name of its own and numbers that a place can have', async () => {
    const [first] = (await house.book()).places;
    if (!first) throw new Error('the demo has places');
    const content = contentOf(first);
    const post = (change: object) =>
      house.http.post(paths.addPlace(HOUSE)).send({ ...content, name: 'Attic', ...change });
    const wrong = [
      [{ name: 'Walk-in' }, 'name', 'name.taken'],
      [{ tubs: -1 }, 'tubs', 'number.min'],
      [{ traysAPosition: 0 }, 'traysAPosition', 'number.min'],
      [
        { zones: [{ name: 'a', positions: 1.5, warmerC: 0 }] },
        'zones/0/positions',
        'number.integer',
      ],
      [{ room: { setC: 4 } }, 'room/heatCapacityJPerK', 'any.required'],
    ] as const;
    for (const [change, path, code] of wrong) {
      const { errors } = problemOf(await post(change));
      expect(errors?.some((error) => error.path === path && error.code === code)).toBe(true);
    }
  });

  it('is one house’s own', async () => {
    const other = await house.book('other-yard');
    const [theirs] = other.places;
    if (!theirs) throw new Error('the demo has places');
    const at = paths.changePlace(HOUSE, theirs.id);
    const change = { version: 1, content: { ...contentOf(theirs), tubs: 99 } };
    expect((await house.http.put(at).send(change)).status).toBe(404);
    expect((await house.http.delete(at)).status).toBe(404);
    expect((await house.book('other-yard')).places).toEqual(other.places);
  });
});

describe('what a house works with', () => {
  it('is changed with its settings', async () => {
    const { version } = (await house.book()).house;
    const kitchen = { ...STANDARD_KITCHEN, benchPlaces: 4 };
    const res = await house.http.put(paths.changeSettings(HOUSE)).send({ version, kitchen });
    expect(res.body).toMatchObject({ settings: { kitchen }, version: version + 1 });
    const wrong = await house.http
      .put(paths.changeSettings(HOUSE))
      .send({ version: version + 1, kitchen: { ...kitchen, tubKg: 0 } });
    expect(problemOf(wrong)).toMatchObject({ type: '/problems/bad-input' });
  });
});
