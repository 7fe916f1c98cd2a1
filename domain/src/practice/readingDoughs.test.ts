import { READING_KINDS, type PastReading } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { drawReading, readableDoughs } from './readingDoughs';

const NOW = Date.parse('2026-11-30T12:00:00Z');
const doughs = readableDoughs(exampleBook());
const documents = doughs.map(({ document }) => document);

/** As many doughs as are read one after the other, each of them right. */
function readInARow(of: typeof documents, count: number) {
  let past: PastReading[] = [];
  return Array.from({ length: count }, (_, i) => {
    const nowMs = NOW + 1000 * i;
    const drawn = drawReading({ documents: of, past, nowMs, seed: 7 * i + 3 });
    if (drawn) past = [...past, { kind: drawn.asked.kind, atMs: nowMs, score: 1 }];
    return drawn;
  });
}

describe('doughs of a house to be read', () => {
  it('are those that are opened as balls', () => {
    expect(doughs.length).toBeGreaterThan(1);
    for (const { document } of doughs) expect(document.stages.at(-1)?.kind).toBe('ball');
  });

  it('are asked of each kind that they can be, as balls and in the tub', () => {
    const drawn = readInARow(documents, READING_KINDS.length);
    const kinds = drawn.flatMap((each) => (each ? [each.asked.kind] : []));
    expect(new Set(kinds.map(({ form, found }) => `${form} ${found}`)).size).toBe(6);
    // Only the slab grows in its tub before it is divided: the others are only to wake there.
    for (const each of drawn)
      if (each?.asked.kind.form === 'tub') expect(doughs[each.dough]?.product.slug).toBe('slab');
  });

  it('are balls alone where nothing shows in a tub', () => {
    const rounds = doughs.findIndex(({ product }) => product.slug === 'yard-round');
    const drawn = readInARow(documents.slice(rounds, rounds + 1), 8);
    expect(drawn.map((each) => each?.asked.kind.form)).toEqual(Array(8).fill('ball'));
  });

  it('are none of a dough that no kitchen makes', () => {
    const [first] = documents;
    if (!first) throw new Error('the demo has doughs');
    expect(readInARow([{ ...first, stages: [] }], 1)).toEqual([null]);
    expect(readInARow([], 1)).toEqual([null]);
  });
});
