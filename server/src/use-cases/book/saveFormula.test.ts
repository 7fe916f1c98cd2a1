import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  paths,
  type FormulaChange,
  type FormulaContent,
  type FormulaRecord,
  type FormulaStart,
  type FormulaVersion,
} from '@calm/contract';
import { HOUSE, problemOf, roundStart, startHouse } from '../../test-support/testHouse';

type House = Awaited<ReturnType<typeof startHouse>>;
let house: House;
beforeAll(async () => {
  house = await startHouse();
});
afterAll(() => house.drop());

const yard = async (): Promise<FormulaRecord> => {
  const found = (await house.book()).formulas.find((f) => f.slug === 'yard-dough');
  if (!found) throw new Error('the demo house has its dough');
  return found;
};
const contentOf = ({ name, formula, doughTempC, method, mixerId }: FormulaRecord) =>
  ({ name, formula, doughTempC, method, mixerId }) satisfies FormulaContent;
const versions = (slug = 'yard-dough') =>
  house.get<FormulaVersion[]>(paths.formulaVersions(HOUSE, slug));
const put = (change: object, slug = 'yard-dough', of = HOUSE) =>
  house.http.put(paths.saveFormula(of, slug)).send(change);

describe('a formula', () => {
  it('is saved as its next version; the one before stays as it was', async () => {
    const before = await yard();
    const content = contentOf(before);
    const wetter = { ...content, formula: { ...content.formula, waterPercent: 64 } };
    const change: FormulaChange = { version: before.version, note: 'Wetter', content: wetter };
    const res = await put(change);
    expect(res.status).toBe(200);
    expect(res.body).toMatchObject({ version: before.version + 1, slug: 'yard-dough' });
    expect((await yard()).formula.waterPercent).toBe(64);
    const [newest, older] = await versions();
    expect(newest).toMatchObject({ version: before.version + 1, note: 'Wetter' });
    expect(newest?.savedAt).toBe('2026-11-25T14:40:00.000Z');
    expect(older?.formula).toEqual(before.formula);
  });

  it('never changes under a lot: the lot keeps the recipe it was started with', async () => {
    const book = await house.book();
    const started = await house.http.post(paths.startLot(HOUSE)).send(roundStart(book));
    expect(started.status).toBe(201);
    const before = await yard();
    const content = contentOf(before);
    const saltier = { ...content, formula: { ...content.formula, saltPercent: 3 } };
    await put({ version: before.version, note: '', content: saltier }).expect(200);
    const lot = (await house.lots('2026-11-29', 1)).find((l) => l.id === started.body.id);
    expect(lot?.recipe.formulaVersion).toBe(before.version);
    expect(lot?.recipe.formula.saltPercent).toBe(before.formula.saltPercent);
  });

  it('that somebody else has saved meanwhile is not overwritten', async () => {
    const before = await yard();
    const content = contentOf(before);
    const hundred = [24, 25, 26, 27].map((doughTempC) =>
      put({ version: before.version, note: '', content: { ...content, doughTempC } }),
    );
    const statuses = (await Promise.all(hundred)).map((res) => res.status).sort();
    expect(statuses).toEqual([200, 409, 409, 409]);
    const late = await put({ version: before.version, note: 'late', content });
    const problem = problemOf<FormulaRecord>(late);
    expect(problem.type).toBe('/problems/stale');
    expect(problem.current?.version).toBe(before.version + 1);
    expect(problem.sent).toMatchObject({ note: 'late' });
    const kept = (await versions()).map(({ version }) => version);
    expect(kept[0]).toBe(before.version + 1);
    expect(new Set(kept).size).toBe(kept.length);
  });

  it('gets its allergens from what is in it', async () => {
    const before = await yard();
    const content = contentOf(before);
    const additions = [{ name: 'barley malt flour', percent: 0.5 }];
    const malted = { ...content, formula: { ...content.formula, additions } };
    const res = await put({ version: before.version, note: 'malt', content: malted });
    expect(res.body.allergens).toEqual(['wheat (gluten)', 'barley (gluten)']);
  });

  it('is refused field by field', async () => {
    const before = await yard();
    const content = contentOf(before);
    const flours = [{ name: 'white', percent: 60 }];
    const bad = {
      version: before.version,
      note: 'x'.repeat(301),
      content: {
        ...content,
        name: '',
        formula: { ...content.formula, saltPercent: 150, flours },
        method: { ...content.method, steps: [] },
      },
    };
    const problem = problemOf(await put(bad));
    expect(problem.status).toBe(400);
    expect(problem.errors?.map(({ path }) => path).sort()).toEqual([
      'content/formula/flours',
      'content/formula/saltPercent',
      'content/method/steps',
      'content/name',
      'note',
    ]);
    const other = { ...content, mixerId: '00000000-0000-4000-8000-000000000000' };
    const noMixer = problemOf(await put({ version: before.version, note: '', content: other }));
    expect(noMixer.errors).toMatchObject([{ path: 'content/mixerId', code: 'mixer.unknown' }]);
    expect((await yard()).version).toBe(before.version);
  });

  it('belongs to its house: another’s is not touched', async () => {
    const before = await yard();
    const content = contentOf(before);
    const foreign = await put({ version: 1, note: '', content }, 'yard-dough', 'other-yard');
    expect(problemOf(foreign).errors).toMatchObject([{ path: 'content/mixerId' }]);
    const none = await put({ version: 1, note: '', content }, 'no-such-dough');
    expect(none.status).toBe(404);
    expect((await house.http.get(paths.formulaVersions(HOUSE, 'no-such-dough'))).status).toBe(404);
  });
});

describe('a new formula', () => {
  const start = async (change: Partial<FormulaStart> = {}): Promise<FormulaStart> => {
    const content = { ...contentOf(await yard()), name: 'Häfen Dough № 2' };
    return { code: 'HD', note: 'First try', content, ...change };
  };

  it('comes into the book as version 1, at an address made of its name', async () => {
    const res = await house.http.post(paths.startFormula(HOUSE)).send(await start());
    expect(res.status).toBe(201);
    expect(res.body).toMatchObject({ slug: 'hafen-dough-no-2', code: 'HD', version: 1 });
    expect(await versions('hafen-dough-no-2')).toMatchObject([{ version: 1, note: 'First try' }]);
  });

  it('needs a name and a code of its own', async () => {
    const content = { ...contentOf(await yard()), name: 'Häfen dough no 2' };
    const sameName = await house.http
      .post(paths.startFormula(HOUSE))
      .send(await start({ code: 'HX', content }));
    expect(problemOf(sameName).errors).toMatchObject([{ path: 'content/name' }]);
    const sameCode = await house.http
      .post(paths.startFormula(HOUSE))
      .send(await start({ code: 'YR' }));
    expect(problemOf(sameCode).errors).toMatchObject([{ path: 'code', code: 'code.taken' }]);
    const noCode = await house.http
      .post(paths.startFormula(HOUSE))
      .send(await start({ code: 'y1' }));
    expect(noCode.status).toBe(400);
  });
});
