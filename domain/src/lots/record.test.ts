import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type MarkChange, paths, type LotRecord, type RecordContent } from '@calm/contract';
import { markAfter, emptyMark } from './marks';
import { currentRecords } from './currentRecords';
import {
  check,
  handoverStartSchema,
  markChangeSchema,
  recordStartSchema,
} from '@calm/contract/schemas';

const NOW = '2026-11-25T14:40:00.000Z';
const BEFORE = '2026-11-25T14:20:00.000Z';
const LATER = '2026-11-25T16:00:00.000Z';
const ID = '00000000-0000-4000-8000-000000000000';
const fresh = emptyMark(1, 'mix');
const change = (what: Omit<MarkChange, 'version'>): MarkChange => ({ version: 0, ...what });

describe('a mark after a change', () => {
  it('keeps what the change does not speak of', () => {
    const begun = markAfter(fresh, change({ isStarted: true, at: BEFORE }), NOW);
    expect(begun).toMatchObject({ startedAt: BEFORE, doneAt: null, version: 1 });
    const longer = markAfter(begun, change({ extraMin: 2 }), NOW);
    expect(longer).toEqual({ ...begun, extraMin: 2, version: 2 });
    const handed = markAfter(longer, change({ personId: ID }), NOW);
    expect(handed).toEqual({ ...longer, personId: ID, version: 3 });
    expect(markAfter(handed, change({ personId: null }), NOW).personId).toBeNull();
  });

  it('is begun once: saying so again does not move it', () => {
    const begun = markAfter(fresh, change({ isStarted: true, at: BEFORE }), NOW);
    expect(markAfter(begun, change({ isStarted: true }), NOW).startedAt).toBe(BEFORE);
    expect(markAfter(begun, change({ isStarted: false }), NOW).startedAt).toBeNull();
  });

  it('is over when it is done or skipped, and open again without the reason', () => {
    const skipped = markAfter(fresh, change({ skippedWhy: 'no time' }), NOW);
    expect(skipped).toMatchObject({ doneAt: NOW, skippedWhy: 'no time' });
    expect(markAfter(skipped, change({ isDone: false }), NOW)).toMatchObject({
      doneAt: null,
      skippedWhy: null,
    });
    expect(markAfter(skipped, change({ isDone: true }), NOW).skippedWhy).toBeNull();
  });

  it('is never later than the house has it', () => {
    expect(markAfter(fresh, change({ isDone: true, at: LATER }), NOW).doneAt).toBe(NOW);
    const moments = fc.date({ min: new Date(0), max: new Date('2030-01-01'), noInvalidDate: true });
    fc.assert(
      fc.property(moments, (moment) => {
        const at = moment.toISOString();
        const { doneAt } = markAfter(fresh, change({ isDone: true, at }), NOW);
        expect(doneAt).toBe(at < NOW ? at : NOW);
      }),
    );
  });
});

describe('the records that stand', () => {
  const record = (id: string, at: string, correctsId: string | null = null): LotRecord => ({
    id,
    lotId: 'lot',
    at,
    receivedAt: null,
    personId: null,
    correctsId,
    content: { kind: 'opened', found: 'well', note: '' },
  });

  it('are those of their kind that nothing corrects, oldest first', () => {
    const other: LotRecord = { ...record('d', NOW), content: { kind: 'said', note: 'x' } };
    const records = [record('b', LATER), record('a', BEFORE), record('c', NOW, 'a'), other];
    expect(currentRecords(records, 'opened').map(({ id }) => id)).toEqual(['c', 'b']);
    expect(currentRecords(records, 'said')).toEqual([other]);
  });

  it('lose nothing: every record stands, or one that corrects it does, or one after that', () => {
    const chains = fc.integer({ min: 1, max: 12 });
    fc.assert(
      fc.property(chains, (length) => {
        const chain = Array.from({ length }, (_, i) =>
          record(String(i), NOW, i === 0 ? null : String(i - 1)),
        );
        expect(currentRecords(chain, 'opened').map(({ id }) => id)).toEqual([String(length - 1)]);
      }),
    );
  });
});

describe('what may be written', () => {
  const ok = (content: RecordContent) => check(recordStartSchema, { id: ID, content }).ok;

  it('is each kind with all of its own, and nothing of another', () => {
    expect(ok({ kind: 'piece', productId: ID, grams: 276 })).toBe(true);
    expect(ok({ kind: 'looked', found: 'right', coreTempC: null, note: '' })).toBe(true);
    expect(ok({ kind: 'baked', found: 'well', note: '' })).toBe(true);
    expect(ok({ kind: 'opened', found: 'gummy', note: '' } as unknown as RecordContent)).toBe(
      false,
    );
    expect(ok({ kind: 'said', note: '  ' })).toBe(false);
    expect(ok({ kind: 'risen', on: 'tub', from: 12, now: 25.5, note: '' })).toBe(true);
    expect(ok({ kind: 'risen', on: 'tub', from: 0, now: 25, note: '' })).toBe(false);
    expect(ok({ kind: 'checked', check: 'poke', answer: 'slowly', note: '' })).toBe(true);
    const mixedUp = { kind: 'checked', check: 'skin', answer: 'slowly', note: '' };
    expect(ok(mixedUp as unknown as RecordContent)).toBe(false);
    const two = { kind: 'piece', productId: ID, grams: 276, trays: 2 };
    expect(ok(two as unknown as RecordContent)).toBe(false);
  });

  it('of a step is at least one thing, and not done and skipped at once', () => {
    expect(check(markChangeSchema, { version: 0 }).ok).toBe(false);
    expect(check(markChangeSchema, { version: 0, isDone: true }).ok).toBe(true);
    const both = { version: 0, isDone: true, skippedWhy: 'why' };
    expect(check(markChangeSchema, both).ok).toBe(false);
    expect(check(markChangeSchema, { version: 0, extraMin: -2 }).ok).toBe(false);
  });

  it('of a handover is lines of its parts', () => {
    const line = { part: 'watch', text: 'Slab runs ahead' };
    expect(check(handoverStartSchema, { lines: [line], note: '' }).ok).toBe(true);
    const odd = { part: 'gossip', text: 'x' };
    expect(check(handoverStartSchema, { lines: [odd], note: '' }).ok).toBe(false);
  });
});

describe('the log’s address', () => {
  it('says only what is looked for, safely', () => {
    expect(paths.log('yard')).toBe('/api/v1/houses/yard/log');
    expect(paths.log('yard', { text: '', found: 'sticks' })).toMatch(/log\?found=sticks$/);
    expect(paths.log('yard', { text: 'a&b=c' })).toMatch(/log\?text=a%26b%3Dc$/);
  });
});
