import { bookFileOf, readBookCsv, writeBookCsv } from '@calm/contract/files';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { bookChanges } from './bookChanges';

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
});
