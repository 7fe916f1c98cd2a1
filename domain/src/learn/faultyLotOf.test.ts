import { describe, expect, it } from '@jest/globals';
import { HOUR_MS } from '@calm/core';
import { board, book, chilled, COLD_MS, record } from '../test-support/coldLots';
import { diagnoseDocument } from './diagnoseDocument';
import { faultsOf, faultyLotOf } from './faultyLotOf';

const lot = board(chilled);
const prefermentC = book.house.settings.usualTempsC.preferment;
const OPENED_MS = lot.doorsMs + HOUR_MS / 3;

describe('a lot with a fault', () => {
  it('is its plan with what was weighed, measured and seen of it', () => {
    const records = [
      record(OPENED_MS, { kind: 'opened', found: 'springs-back', note: '' }),
      record(OPENED_MS - HOUR_MS / 2, { kind: 'core', coreTempC: 7.5, note: '' }),
      record(COLD_MS, { kind: 'risen', on: 'tub', from: 10, now: 12, note: '' }),
      record(COLD_MS, { kind: 'checked', check: 'stretch', answer: 'clear', note: '' }),
      record(COLD_MS, { kind: 'checked', check: 'smell', answer: 'alcohol', note: '' }),
    ];
    expect(faultsOf(records)).toEqual(['springs-back']);
    const faulty = faultyLotOf(lot, records, prefermentC);
    expect(faulty?.opened?.coreTempC).toBe(7.5);
    expect(faulty?.marks).toHaveLength(1);
    expect(faulty?.checks).toEqual({ tears: false, alcohol: true });
    expect(faulty?.shapedHour).toBeGreaterThan(0);
    const told = faulty && diagnoseDocument({ faults: faultsOf(records), lot: faulty });
    expect(told?.ok && told.value.causes[0]?.cause).toBe('cold-core');
  });

  it('has no fault where all was well', () => {
    expect(faultsOf([record(OPENED_MS, { kind: 'opened', found: 'well', note: '' })])).toEqual([]);
    const taken = record(OPENED_MS, { kind: 'baked', found: 'gummy', note: '' });
    expect(faultsOf([taken])).toEqual(['gummy']);
    expect(faultsOf([taken, record(OPENED_MS, { kind: 'taken-back' }, taken.id)])).toEqual([]);
  });
});
