import { boardLots } from '../lots/lotBoard';
import { HOUR_MS } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { LotRecord, RecordContent } from '@calm/contract';
import { racksAt } from './racks';
import { discardedOf, lotsPutFirst, stacksAt, traysOf } from './stacks';

import {
  book,
  product,
  place,
  services,
  plain,
  board,
  COLD_MS,
  PULL_MS,
  chilled,
  NOW_MS,
  spot,
  record,
  moved,
} from '../test-support/coldLots';

describe('where trays stand', () => {
  it('is what was put in, moved, pulled and thrown away', () => {
    const records = [
      moved(COLD_MS, null, spot('back', 1), 2),
      moved(COLD_MS + 1000, null, spot('back', 2), 2),
      moved(COLD_MS + HOUR_MS, spot('back', 1), spot('door', 5), 1),
      record(COLD_MS + 2 * HOUR_MS, {
        kind: 'discarded',
        productId: product.id,
        from: spot('back', 2),
        trays: 1,
        balls: 12,
        note: 'dry',
      }),
      record(COLD_MS + 3 * HOUR_MS, {
        kind: 'pulled',
        productId: product.id,
        serviceId: 'x',
        trays: 1,
        balls: 12,
      }),
    ];
    const at = (hours: number) =>
      stacksAt(records, COLD_MS + hours * HOUR_MS + 5000)
        .map(
          ({ spot: { zone, position }, trays, balls }) => `${zone} ${position}: ${trays}/${balls}`,
        )
        .sort();
    expect(at(0)).toEqual(['back 1: 2/24', 'back 2: 2/24']);
    expect(at(1)).toEqual(['back 1: 1/12', 'back 2: 2/24', 'door 5: 1/12']);
    expect(at(2)).toEqual(['back 1: 1/12', 'back 2: 1/12', 'door 5: 1/12']);
    expect(at(3)).toHaveLength(2);
    expect(discardedOf(records, plain.id, product.id)).toBe(12);
  });

  it('remembers where each stood, and forgets what was taken back', () => {
    const first = moved(COLD_MS, null, spot('back', 1), 2);
    const second = moved(COLD_MS + HOUR_MS, spot('back', 1), spot('door', 5), 2);
    const back = record(
      COLD_MS + 2 * HOUR_MS,
      { ...second.content, trays: 0, balls: 0 } as RecordContent,
      second.id,
    );
    const [moving] = stacksAt([first, second], NOW_MS);
    expect(moving?.legs.map(({ spot: { zone } }) => zone)).toEqual(['back', 'door']);
    expect(stacksAt([first, second, back], NOW_MS)[0]?.spot).toEqual(spot('back', 1));
  });

  it('never holds trays that nobody brought in, in whatever order people say they moved them', () => {
    const anySpot = fc.record({
      zone: fc.constantFrom('door', 'back'),
      position: fc.integer({ min: 1, max: 3 }),
    });
    const step = fc.record({
      from: fc.option(anySpot),
      to: fc.option(anySpot),
      trays: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        const records = steps.map(({ from, to, trays }, i) =>
          moved(
            COLD_MS + i * 1000,
            from && spot(from.zone, from.position),
            to && spot(to.zone, to.position),
            trays,
          ),
        );
        const brought = steps
          .filter(({ from, to }) => from === null && to !== null)
          .reduce((sum, { trays }) => sum + trays, 0);
        const stacks = stacksAt(records, NOW_MS);
        const standing = stacks.reduce((sum, { trays }) => sum + trays, 0);
        expect(standing).toBeLessThanOrEqual(brought);
        for (const { trays, legs, spot: at } of stacks) {
          expect(trays).toBeGreaterThan(0);
          expect(legs.at(-1)?.spot).toEqual(at);
        }
      }),
    );
  });

  it('knows which lots somebody has put first, until they are not', () => {
    const put = (ms: number, isFirst: boolean) => record(ms, { kind: 'first', isFirst, note: '' });
    expect(lotsPutFirst([put(1, true)])).toEqual(new Set([plain.id]));
    expect(lotsPutFirst([put(1, true), put(2, false)])).toEqual(new Set());
  });
});

describe('the racks', () => {
  const all = traysOf(board(chilled), product);
  const at = (records: readonly LotRecord[], ms: number, lots = [board(chilled)]) =>
    racksAt(lots, book, records, ms, NOW_MS);

  it('show where trays best go while nobody has said where they are', () => {
    const { shown, without } = at([], NOW_MS);
    expect(shown.every(({ isOnRecord }) => !isOnRecord)).toBe(true);
    expect(shown.reduce((sum, { stack }) => sum + stack.trays, 0)).toBe(all);
    expect(shown[0]?.stack.spot.zone).toBe('back');
    expect(without).toEqual([]);
  });

  it('show what is on record there, and only the rest as advice', () => {
    const { shown } = at([moved(COLD_MS, null, spot('door', 3), 2)], NOW_MS);
    const known = shown.filter(({ isOnRecord }) => isOnRecord);
    expect(known.map(({ stack }) => stack.spot)).toEqual([spot('door', 3)]);
    expect(shown.reduce((sum, { stack }) => sum + stack.trays, 0)).toBe(all);
  });

  it('are empty of a lot before it comes in and after it is pulled', () => {
    expect(at([], COLD_MS - HOUR_MS).shown).toEqual([]);
    const put = [moved(COLD_MS, null, spot('door', 3), 2)];
    expect(at(put, PULL_MS + HOUR_MS).shown).toEqual([]);
  });

  it('have nothing of a lot that was to be in by now and that nobody has mixed', () => {
    const [planned] = boardLots(book, services, []);
    if (!planned) throw new Error('what is wanted is on the board, mixed or not');
    const cold = planned.stages.find(({ kind, key }) => kind === 'rest' && key === 'cold');
    if (!cold) throw new Error('the round is held cold');
    const shownAt = (atMs: number, nowMs: number) =>
      racksAt([planned], book, [], atMs, nowMs).shown;
    expect(shownAt(cold.startMs + HOUR_MS, cold.startMs + HOUR_MS)).toEqual([]);
    // Ahead of time it is still to come.
    expect(shownAt(cold.startMs + HOUR_MS, cold.startMs - HOUR_MS).length).toBeGreaterThan(0);
  });

  it('say ahead of time what will find no room', () => {
    const small = {
      ...book,
      places: [{ ...place, zones: [{ name: 'back', positions: 2, warmerC: 0 }] }],
    };
    const { shown, without } = racksAt([board(chilled)], small, [], COLD_MS + HOUR_MS, COLD_MS);
    expect(shown.reduce((sum, { stack }) => sum + stack.trays, 0)).toBe(4);
    expect(without).toMatchObject([{ placeId: place.id, trays: all - 4 }]);
  });
});
