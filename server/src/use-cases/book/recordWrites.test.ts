import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { paths, type PantryItem, type Product, type RouteRecord } from '@calm/contract';
import { HOUSE, problemOf, roundStart, startHouse } from '../../test-support/testHouse';

type House = Awaited<ReturnType<typeof startHouse>>;
let house: House;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const first = async () => {
  const { products, routes, pantry } = await house.book();
  const [product] = products;
  const [route] = routes;
  const [item] = pantry;
  if (!product || !route || !item) throw new Error('the demo house has all of these');
  return { product, route, item };
};
const contentOfProduct = ({ id: _i, slug: _s, version: _v, ...content }: Product) => content;
const NOWHERE = '00000000-0000-4000-8000-000000000000';

describe('a product', () => {
  it('is added at the end, at an address of its name, changed, and taken away', async () => {
    const content = { ...contentOfProduct((await first()).product), name: 'Dusk Round' };
    const added = await house.http.post(paths.addProduct(HOUSE)).send(content);
    expect(added.status).toBe(201);
    expect(added.body).toMatchObject({ ...content, slug: 'dusk-round', version: 1 });
    expect((await house.book()).products.at(-1)).toEqual(added.body);

    const at = paths.changeProduct(HOUSE, added.body.id);
    const smaller = { ...content, ballWeightG: 240.5, name: 'Dusk Small' };
    const changed = await house.http.put(at).send({ version: 1, content: smaller });
    expect(changed.body).toMatchObject({ ballWeightG: 240.5, slug: 'dusk-round', version: 2 });

    expect((await house.http.delete(at)).body).toEqual(changed.body);
    expect((await house.http.delete(at)).status).toBe(404);
  });

  it('cannot go while a lot has it', async () => {
    const { product } = await first();
    const problem = problemOf(await house.http.delete(paths.removeProduct(HOUSE, product.id)));
    expect(problem).toMatchObject({ type: '/problems/in-use', status: 409 });
    expect((await first()).product).toEqual(product);
  });

  it('needs a formula and a route of this house, and a band in order', async () => {
    const content = { ...contentOfProduct((await first()).product), name: 'Lost' };
    const other = await house.book('other-yard');
    const post = (change: object) =>
      house.http.post(paths.addProduct(HOUSE)).send({ ...content, ...change });
    const wrong = [
      [{ formulaId: other.formulas[0]?.id }, 'formulaId', 'id.unknown'],
      [{ routeId: other.routes[0]?.id }, 'routeId', 'id.unknown'],
      [{ target: { ...content.target, riseMin: 3 } }, 'target', 'target.order'],
      [{ ballWeightG: 0 }, 'ballWeightG', 'number.min'],
      [{ target: { riseMin: 1.2 } }, 'target/riseMax', 'any.required'],
    ] as const;
    for (const [change, path, code] of wrong) {
      const { errors } = problemOf(await post(change));
      expect(errors).toContainEqual(expect.objectContaining({ path, code }));
    }
  });
});

describe('a route', () => {
  it('changes for lots to come, and never under one that is started', async () => {
    const book = await house.book();
    const started = await house.http.post(paths.startLot(HOUSE)).send(roundStart(book));
    const route = book.routes.find(({ id }) => id === book.products[0]?.routeId) as RouteRecord;
    const stages = route.stages.map((stage) =>
      stage.kind === 'rest' ? { ...stage, airTempC: stage.airTempC + 1 } : stage,
    );
    const change = { version: route.version, content: { name: 'Warmer', stages } };
    const changed = await house.http.put(paths.changeRoute(HOUSE, route.id)).send(change);
    expect(changed.body).toMatchObject({ name: 'Warmer', version: route.version + 1 });
    const [lot] = (await house.lots('2026-11-29', 1)).filter((l) => l.id === started.body.id);
    expect(lot?.recipe.route).toEqual(route.stages);
  });

  it('is refused with its stage when hours do not stand in order', async () => {
    const { route } = await first();
    const stages = route.stages.map((stage) =>
      stage.kind === 'rest' ? { ...stage, hours: { least: 5, preferred: 2, most: 9 } } : stage,
    );
    const res = await house.http.post(paths.addRoute(HOUSE)).send({ name: 'Muddled', stages });
    expect(problemOf(res).errors?.[0]?.path).toMatch(/^stages\/\d+\/hours\/preferred$/);
  });
});

describe('something the house buys', () => {
  it('tells every formula its allergens at once', async () => {
    const book = await house.book();
    const salt = book.pantry.find(({ name }) => name === 'salt') as PantryItem;
    const { id, version, ...content } = salt;
    const at = paths.changeIngredient(HOUSE, id);
    await house.http.put(at).send({ version, content: { ...content, allergens: ['celery'] } });
    const after = await house.book();
    after.formulas.forEach((formula) => expect(formula.allergens).toContain('celery'));
  });

  it('has one name', async () => {
    const post = (name: string) =>
      house.http.post(paths.addIngredient(HOUSE)).send({ name, allergens: [] });
    expect((await post('semolina')).status).toBe(201);
    expect(problemOf(await post('Semolina')).errors).toMatchObject([{ code: 'name.taken' }]);
    const { item } = await first();
    const rename = { version: item.version, content: { name: 'semolina', allergens: [] } };
    const res = await house.http.put(paths.changeIngredient(HOUSE, item.id)).send(rename);
    expect(problemOf(res).errors).toMatchObject([{ path: 'content/name', code: 'name.taken' }]);
  });

  it('that somebody else has changed meanwhile is not overwritten', async () => {
    const { item } = await first();
    const { id, version, ...content } = item;
    const put = (costPerKg: number) =>
      house.http
        .put(paths.changeIngredient(HOUSE, id))
        .send({ version, content: { ...content, costPerKg } });
    const statuses = (await Promise.all([1, 2, 3].map(put))).map(({ status }) => status).sort();
    expect(statuses).toEqual([200, 409, 409]);
    const late = problemOf<PantryItem>(await put(9));
    expect(late.current?.version).toBe(version + 1);
    const gone = await house.http
      .put(paths.changeIngredient(HOUSE, NOWHERE))
      .send({ version: 1, content: { name: 'nothing', allergens: [] } });
    expect(gone.status).toBe(404);
  });
});
