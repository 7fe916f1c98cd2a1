import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { paths, type HouseBook, type Retirable, type Service } from '@calm/contract';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

type House = Awaited<ReturnType<typeof startHouse>>;
let house: House;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const known = <T>(value: T | undefined): T => {
  if (value === undefined) throw new Error('the demo house has one');
  return value;
};
const retire = (kind: Retirable, id: string) => house.http.put(paths.retire(HOUSE, kind, id));
const bringBack = (kind: Retirable, id: string) =>
  house.http.delete(paths.bringBack(HOUSE, kind, id));
const idsOf = (book: HouseBook, kind: Retirable) => book[kind].map(({ id }) => id);
const services = async () =>
  (await house.http.get(paths.services(HOUSE, { from: '2026-11-25', days: 2 }))).body as Service[];

/** A product of its own dough, with a formula and a route that nothing else uses. */
async function aDough() {
  const { products, formulas, routes } = await house.book();
  const [product, formula, route] = [known(products[0]), known(formulas[0]), known(routes[0])];
  const { name: _n, slug: _s, code: _c, id: _i, version: _v, allergens: _a, ...content } = formula;
  const post = async (path: string, body: object) =>
    (await house.http.post(path).send(body).expect(201)).body as { id: string; slug: string };
  const ofFormula = await post(paths.startFormula(HOUSE), {
    code: 'EV',
    note: '',
    content: { ...content, name: 'Evening dough' },
  });
  const ofRoute = await post(paths.addRoute(HOUSE), { name: 'Evening', stages: route.stages });
  const { id: _p, slug: _ps, version: _pv, ...made } = product;
  const ofProduct = await post(paths.addProduct(HOUSE), {
    ...made,
    name: 'Evening round',
    formulaId: ofFormula.id,
    routeId: ofRoute.id,
  });
  return { formula: ofFormula, route: ofRoute, product: ofProduct };
}

describe('what a house retires', () => {
  it('is offered no more, keeps its name in the book, and comes back', async () => {
    const { product, formula, route } = await aDough();
    const asCounted = async () =>
      (await services()).some(({ counts }) => counts.some((c) => c.productId === product.id));
    expect(await asCounted()).toBe(true);

    // What something offered is made of stays.
    for (const [kind, { id }] of [
      ['formulas', formula],
      ['routes', route],
    ] as const) {
      expect(problemOf(await retire(kind, id)).type).toBe('/problems/in-use');
    }
    for (const [kind, { id }] of [
      ['products', product],
      ['formulas', formula],
      ['routes', route],
    ] as const) {
      await retire(kind, id).expect(204);
      await retire(kind, id).expect(204);
      const book = await house.book();
      expect(idsOf(book, kind)).not.toContain(id);
      expect(book.retired[kind].map((record) => record.id)).toEqual([id]);
    }
    expect(await asCounted()).toBe(false);

    // Nothing new is made of it; it comes back in the order in which it is made.
    const {
      id: _i,
      slug: _s,
      version: _v,
      ...content
    } = known((await house.book()).retired.products[0]);
    const again = await house.http.post(paths.addProduct(HOUSE)).send({ ...content, name: 'Late' });
    expect(problemOf(again).errors).toMatchObject([{ path: 'formulaId', code: 'id.unknown' }]);
    const tooSoon = await bringBack('products', product.id);
    expect(problemOf(tooSoon).errors).toMatchObject([{ code: 'retired.needs' }]);
    for (const [kind, { id }] of [
      ['formulas', formula],
      ['routes', route],
      ['products', product],
    ] as const) {
      await bringBack(kind, id).expect(204);
      await bringBack(kind, id).expect(204);
      expect(idsOf(await house.book(), kind)).toContain(id);
    }
    expect(await asCounted()).toBe(true);
    expect((await house.book()).retired.products).toEqual([]);
  });

  it('is no product of which dough is under way, no mixer of a formula, no place of a route or a probe', async () => {
    const book = await house.book();
    const round = known(book.products.find(({ slug }) => slug === 'yard-round'));
    const spiral = known(book.mixers.find(({ id }) => book.formulas.some((f) => f.mixerId === id)));
    for (const [kind, id] of [
      ['products', round.id],
      ['mixers', spiral.id],
      ...book.places.map(({ id }) => ['places', id] as const),
    ] as const) {
      const refused = await retire(kind, id);
      expect([kind, problemOf(refused).type]).toEqual([kind, '/problems/in-use']);
    }
    expect((await house.book()).places).toEqual(book.places);
  });

  it('is offered again where its formula is written anew; a mixer that is retired takes no formula', async () => {
    const { mixers } = await house.book();
    const [mixer] = mixers;
    const { id: _i, version: _v, ...content } = known(mixer);
    const bowl = (await house.http.post(paths.addMixer(HOUSE)).send({ ...content, name: 'Bowl' }))
      .body as { id: string };
    await retire('mixers', bowl.id).expect(204);
    const formula = known((await house.book()).formulas.find(({ code }) => code === 'EV'));
    const { name, formula: dough, doughTempC, method } = formula;
    const save = (version: number, mixerId: string) =>
      house.http.put(paths.saveFormula(HOUSE, formula.slug)).send({
        version,
        note: '',
        content: { name, formula: dough, doughTempC, method, mixerId },
      });
    const refused = await save(formula.version, bowl.id);
    expect(problemOf(refused).errors).toMatchObject([{ code: 'mixer.unknown' }]);

    const product = known(
      (await house.book()).products.find(({ formulaId }) => formulaId === formula.id),
    );
    await retire('products', product.id).expect(204);
    await retire('formulas', formula.id).expect(204);
    const retired = known((await house.book()).retired.formulas[0]);
    expect(retired.version).toBe(formula.version);
    await save(retired.version, formula.mixerId).expect(200);
    expect(idsOf(await house.book(), 'formulas')).toContain(formula.id);
  });

  it('is on record, and is of this house', async () => {
    const { body } = await house.http.get(paths.audit(HOUSE));
    const changes = (body as { changes: { what: string; after: object | null }[] }[]).flatMap(
      (entry) => entry.changes,
    );
    expect(changes).toContainEqual(
      expect.objectContaining({ what: 'product', after: { retiredAt: expect.any(String) } }),
    );
    const other = await house.book('other-yard');
    await retire('mixers', known(other.mixers[0]).id).expect(404);
    await retire('people' as Retirable, known(other.mixers[0]).id).expect(400);
  });
});
