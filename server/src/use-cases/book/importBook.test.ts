import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { paths, type FormulaContent, type FormulaRecord } from '@calm/contract';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

type House = Awaited<ReturnType<typeof startHouse>>;
let house: House;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const contentOf = ({ name, formula, doughTempC, method, mixerId }: FormulaRecord) =>
  ({ name, formula, doughTempC, method, mixerId }) satisfies FormulaContent;
const post = (body: object) => house.http.post(paths.importBook(HOUSE)).send(body);

it('brings in new formulas, new versions and routes at once', async () => {
  const { formulas, routes } = await house.book();
  const [yard] = formulas;
  const [route] = routes;
  if (!yard || !route) throw new Error('the demo house has both');
  const content = contentOf(yard);
  const res = await post({
    note: 'from a file',
    formulas: [
      { slug: yard.slug, version: yard.version, content: { ...content, doughTempC: 23 } },
      { code: 'QA', content: { ...content, name: 'Quay dough' } },
    ],
    routes: [{ content: { name: 'Quay route', stages: route.stages } }],
  });
  expect(res.status).toBe(200);
  expect(res.body.formulas.map((f: FormulaRecord) => f.version)).toEqual([yard.version + 1, 1]);
  const after = await house.book();
  expect(after.formulas).toHaveLength(formulas.length + 1);
  expect(after.routes.map(({ name }) => name)).toContain('Quay route');
});

it('brings in nothing when one of them cannot be', async () => {
  const before = await house.book();
  const [yard] = before.formulas;
  if (!yard) throw new Error('the demo house has a formula');
  const content = contentOf(yard);
  const res = await post({
    note: '',
    formulas: [
      { code: 'QB', content: { ...content, name: 'Fine dough' } },
      { code: 'QB', content: { ...content, name: 'Same letters' } },
    ],
    routes: [],
  });
  expect(problemOf(res).errors).toMatchObject([{ path: 'code', code: 'code.taken' }]);
  expect(await house.book()).toEqual(before);
});

it('takes a whole book of three hundred formulas', async () => {
  const [yard] = (await house.book()).formulas;
  if (!yard) throw new Error('the demo house has a formula');
  const letters = (i: number) => String.fromCharCode(65 + (i % 26));
  const formulas = Array.from({ length: 300 }, (_, i) => ({
    code: `Z${letters(Math.floor(i / 676))}${letters(Math.floor(i / 26))}${letters(i)}`,
    content: { ...contentOf(yard), name: `Shelf dough ${i}` },
  }));
  expect((await post({ note: '', formulas, routes: [] })).status).toBe(200);
  expect((await house.book()).formulas.length).toBeGreaterThan(300);
}, 60_000);
