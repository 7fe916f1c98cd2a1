import { READING_KINDS } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { readableDoughs, readingOf } from './readingDoughs';

describe('doughs of a house to be read', () => {
  const doughs = readableDoughs(exampleBook());

  it('are those that are opened as balls', () => {
    expect(doughs.length).toBeGreaterThan(1);
    for (const { document } of doughs) expect(document.stages.at(-1)?.kind).toBe('ball');
  });

  it('can each be early, right and late', () => {
    for (const { document, product } of doughs) {
      const found = READING_KINDS.filter(({ warmth }) => warmth !== 'usual').flatMap((kind, i) => {
        const told = readingOf({ document, kind, hardness: 0, seed: i + 3 });
        return told ? [told.kind.found] : [];
      });
      expect([product.slug, ...new Set(found)].sort()).toEqual(
        [product.slug, 'early', 'late', 'right'].sort(),
      );
    }
  });

  it('are none of a dough that no kitchen makes', () => {
    const [first] = doughs;
    if (!first) throw new Error('the demo has doughs');
    const document = { ...first.document, stages: [] };
    const [kind] = READING_KINDS;
    if (!kind) throw new Error('there are kinds');
    expect(readingOf({ document, kind, hardness: 0, seed: 1 })).toBeNull();
  });
});
