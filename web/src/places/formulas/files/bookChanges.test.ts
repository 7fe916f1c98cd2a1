import { bookFileOf, readBookCsv, writeBookCsv } from '@calm/domain/files';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { bookChanges, imports, routeChanges } from './bookChanges';

const book = exampleBook();
const { formulas } = bookFileOf(book);
const plain = { name: 'plain', why: '', steps: [{ key: 'mix', title: 'Mix', detail: '' }] };
const kinds = (entries: typeof formulas) =>
  bookChanges(entries, book, plain).map(({ entry, kind }) => `${entry.code} ${kind}`);

describe('what a file would change', () => {
  it('is nothing when it is the book itself, by JSON or by CSV', () => {
    const same = ['YR same', 'SL same', 'CR same'];
    expect(kinds(formulas)).toEqual(same);
    const table = readBookCsv(writeBookCsv(bookFileOf(book)));
    if (!table.ok) throw new Error(JSON.stringify(table.problems));
    expect(kinds(table.value.formulas)).toEqual(same);
  });

  it('is one line changed, or a formula the house does not have', () => {
    const [yard, ...rest] = formulas;
    if (!yard) throw new Error('the house has its dough');
    const saltier = { ...yard, formula: { ...yard.formula, saltPercent: 3 } };
    expect(kinds([saltier, ...rest, { ...yard, code: 'HB', name: 'Harbour' }])).toEqual([
      'YR changed',
      'SL same',
      'CR same',
      'HB new',
    ]);
  });

  it('keeps the house’s method and mixer where the file says nothing', () => {
    const [yard] = formulas;
    if (!yard) throw new Error('the house has its dough');
    const { method: _, ...bare } = yard;
    const [known, fresh] = bookChanges([bare, { ...bare, code: 'HB' }], book, plain);
    expect(known).toMatchObject({ kind: 'same', content: { method: yard.method } });
    expect(fresh).toMatchObject({ kind: 'new', content: { method: plain } });
    expect(fresh?.content.mixerId).toBe(book.mixers[0]?.id);
  });

  it('offers a formula again that was retired, in a mixer that the house still has', () => {
    const [yard, ...others] = book.formulas;
    const [file] = formulas;
    const [, second] = book.mixers;
    if (!yard || !file || !second) throw new Error('the house has its dough and two mixers');
    const retired = { ...book.retired, formulas: [yard] };
    const later = { ...book, formulas: others, mixers: [second], retired };
    expect(bookChanges([file], later, plain)).toMatchObject([
      { kind: 'changed', present: { slug: yard.slug }, content: { mixerId: second.id } },
    ]);
  });
});

describe('what a file would change of the routes', () => {
  const { routes = [] } = bookFileOf(book);
  const [first] = routes;
  if (!first) throw new Error('the house has routes');

  it('is nothing when they are the house’s own', () => {
    expect(routeChanges(routes, book).map(({ kind }) => kind)).toEqual(['same', 'same', 'same']);
  });

  it('is told by name', () => {
    const shorter = { ...first, stages: first.stages.slice(1) };
    const other = { ...first, name: 'Quay way' };
    const [changed, added] = routeChanges([shorter, other], book);
    expect(changed).toMatchObject({ kind: 'changed', present: { name: first.name } });
    expect(added).toMatchObject({ kind: 'new', present: null });
  });

  it('goes with the formulas as one request, without what is as it was', () => {
    const [yard, slab] = formulas;
    if (!yard || !slab) throw new Error('the house has its doughs');
    const warmer = { ...yard, doughTempC: 26 };
    const changes = bookChanges([warmer, slab, { ...yard, code: 'HB' }], book, plain);
    const request = imports(changes, routeChanges([first, { ...first, name: 'New' }], book), 'n');
    expect(request.note).toBe('n');
    expect(request.formulas).toMatchObject([
      { slug: 'yard-dough', version: 1, content: { doughTempC: 26 } },
      { code: 'HB' },
    ]);
    expect(request.routes).toEqual([{ content: { name: 'New', stages: first.stages } }]);
  });
});
