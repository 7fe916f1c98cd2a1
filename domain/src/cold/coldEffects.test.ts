import { HOUR_MS, type ReadyWindow } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import type { LotRecord, ColdLot, ColdAlarm, Probe } from '@calm/contract';
import { airOfPlaces } from './airOfPlaces';
import { simulateCold } from './simulateCold';
import { affectedLots, movesFor, placesToMoveTo } from './moves';
import type { ColdQuestion } from './coldQuestion';

import {
  book,
  product,
  place,
  under,
  services,
  board,
  COLD_MS,
  chilled,
  NOW_MS,
  spot,
  moved,
  record,
} from '../test-support/coldLots';

describe('what the cold means for a lot', () => {
  const nowS = NOW_MS / 1000;
  const question = (
    airC: (atS: number) => number,
    records: readonly LotRecord[] = [],
  ): ColdQuestion => {
    const atS = Array.from({ length: 20 * 6 }, (_, i) => COLD_MS / 1000 + i * 600);
    const probes: Probe[] = [
      { id: 'p', name: 'p', placeId: place.id, zone: 'middle', calibrations: [], version: 1 },
    ];
    const air = [{ probeId: 'p', atS, meanC: atS.map(airC) }];
    return {
      book,
      services,
      lots: [board(chilled)],
      records,
      air: airOfPlaces(book.places, probes, air, []),
      nowS,
    };
  };
  const follow = (asked: ColdQuestion, ...rest: [] | [Parameters<typeof simulateCold>[1]]) => {
    const simulated = simulateCold(asked, ...rest);
    if (!simulated.ok) throw new Error(JSON.stringify(simulated.reasons));
    return simulated.value;
  };
  const until = (window: ReadyWindow | undefined) =>
    window?.kind === 'ready' ? window.latestHour : NaN;
  const warmNight = (atS: number) => (atS > nowS - 8 * 3600 && atS < nowS - 2 * 3600 ? 9 : 3.5);

  it('is an earlier window after a warm night', () => {
    const [calm] = follow(question(() => 3.5)).parts;
    const [warm] = follow(question(warmNight)).parts;
    expect(until(warm?.window)).toBeLessThan(until(calm?.window) - 0.2);
    expect(warm?.coreC).toBeGreaterThan((calm?.coreC ?? NaN) + 0.5);
  });

  it('is an earlier window where balls were seen to have risen more, and less so where the night explains it', () => {
    const risen = record(nowS * 1000, { kind: 'risen', on: 'ball', from: 90, now: 104, note: '' });
    const earlierBy = (airC: (atS: number) => number) =>
      until(follow(question(airC)).parts[0]?.window) -
      until(follow(question(airC, [risen])).parts[0]?.window);
    const inCalm = earlierBy(() => 3.5);
    expect(inCalm).toBeGreaterThan(0.3);
    expect(earlierBy(warmNight)).toBeLessThan(inCalm);
  });

  it('as set, knows nothing of the night', () => {
    const set = simulateCold(question(warmNight), [], true);
    const calm = simulateCold(
      question(() => 3.5),
      [],
      true,
    );
    if (!set.ok || !calm.ok) throw new Error('both run');
    expect(until(set.value.parts[0]?.window)).toBeCloseTo(until(calm.value.parts[0]?.window), 6);
  });

  it('differs by the zone in which its trays stood', () => {
    const records = [
      moved(COLD_MS, null, spot('door', 1), 2),
      moved(COLD_MS, null, spot('back', 1), 2),
    ];
    const { parts } = follow(question(() => 6, records));
    const of = (zone: string) => parts.find((part) => part.zone === zone);
    expect(until(of('door')?.window)).toBeLessThan(until(of('back')?.window));
    expect(parts.length).toBeGreaterThanOrEqual(2);
  });

  it('is a place’s own once trays have been moved there', () => {
    const records = [
      moved(COLD_MS, null, spot('back', 1), 2),
      moved(COLD_MS + 6 * HOUR_MS, spot('back', 1), spot('inside', 1, under.id), 2),
    ];
    const { parts } = follow(question(() => 3.5, records));
    expect(parts.find(({ placeId }) => placeId === under.id)?.zone).toBe('inside');
  });

  it('follows dough whose route knows no cold, once somebody has put it there', () => {
    const { recipe } = chilled;
    const route = recipe.route.map((stage) =>
      stage.kind === 'rest' && stage.key === 'cold'
        ? { ...stage, place: 'Bench', airTempC: 22 }
        : stage,
    );
    const lots = [board({ ...chilled, recipe: { ...recipe, route } })];
    const asked = question(() => 3.5);
    expect(follow({ ...asked, lots }).parts).toEqual([]);
    const records = [moved(COLD_MS + HOUR_MS, null, spot('back', 1), 40)];
    const [part] = follow({ ...asked, records, lots }).parts;
    expect(part?.placeId).toBe(place.id);
    expect(part?.coreC).toBeLessThan(8);
  });

  it('moves with what might happen, each in its own direction', () => {
    const asked = question(() => 3.5);
    const plainUntil = until(follow(asked).parts[0]?.window);
    const as = (assumption: Parameters<typeof simulateCold>[1]) =>
      until(follow(asked, assumption).parts[0]?.window);
    expect(as([{ kind: 'power-cut', hours: 3, isDoorOpen: false }])).toBeLessThan(plainUntil);
    expect(as([{ kind: 'power-cut', hours: 3, isDoorOpen: true }])).toBeLessThan(
      as([{ kind: 'power-cut', hours: 3, isDoorOpen: false }]),
    );
    expect(as([{ kind: 'set-point', placeId: place.id, byC: 1 }])).toBeLessThan(plainUntil);
    expect(as([{ kind: 'set-point', placeId: place.id, byC: -1 }])).toBeGreaterThan(plainUntil);
    expect(as([{ kind: 'weak', placeId: place.id, hours: 4, share: 0.3 }])).toBeLessThan(
      plainUntil,
    );
    expect(as([])).toBe(plainUntil);
  });

  it('goes by a hand’s thermometer where no probe hangs', () => {
    const notes = [
      {
        id: 'n',
        at: new Date(NOW_MS - HOUR_MS).toISOString(),
        receivedAt: null,
        personId: null,
        content: { kind: 'round', placeId: place.id, zone: 'door', airC: 9 } as const,
      },
    ];
    const [walkIn] = airOfPlaces(book.places, [], [], notes).filter(
      ({ placeId }) => placeId === place.id,
    );
    expect(walkIn?.probes).toMatchObject([{ zone: 'door', zoneC: 0.8, readings: [{ airC: 9 }] }]);
  });
});

describe('what to do about an alarm', () => {
  const probe: Probe = {
    id: 'p',
    name: 'p',
    placeId: place.id,
    zone: 'back',
    calibrations: [],
    version: 1,
  };
  const alarm = (change: Partial<ColdAlarm> = {}): ColdAlarm => ({
    id: 'a',
    probeId: 'p',
    kind: 'above',
    fromAt: new Date(NOW_MS - HOUR_MS).toISOString(),
    untilAt: null,
    worstC: 9,
    meanC: 7,
    causes: [{ cause: 'compressor', weight: 1 }],
    acknowledged: null,
    version: 1,
    ...change,
  });
  const window = (latestHour: number): ReadyWindow => ({
    kind: 'ready',
    earliestHour: 40,
    peakHour: 44,
    latestHour,
    odds: 0.9,
    odds90: null,
    odds10: null,
  });
  const lot = (key: string, latestHour: number): ColdLot => ({
    key,
    code: key.toUpperCase(),
    productId: product.id,
    placeId: place.id,
    zone: 'back',
    mixedMs: COLD_MS,
    now: window(latestHour),
    asSet: window(60),
    held: [],
    coreC: 6,
    rise: 1.2,
  });
  const stack = (lotId: string, position: number) => ({
    lotId,
    productId: product.id,
    spot: spot('back', position),
    trays: 2,
    balls: 24,
    legs: [],
  });
  const elsewhere = { ...stack('soon', 3), spot: spot('inside', 3, under.id) };
  const stacks = [stack('late', 1), stack('soon', 2), elsewhere];
  const affected = affectedLots(probe, [lot('late', 60), lot('soon', 46)], stacks);

  it('is first about the lot with least time left, and only about trays that stand there', () => {
    expect(affected.map(({ lot: { code }, trays }) => [code, trays])).toEqual([
      ['SOON', 2],
      ['LATE', 2],
    ]);
  });

  it('names the likely cause, then where trays may go, what to use, and whom to call', () => {
    const to = placesToMoveTo(place.id, book.places, stacks, new Set());
    expect(to[0]?.place.name).toBe('Under-counter');
    const moves = movesFor(alarm(), affected, to);
    expect(moves.map(({ kind }) => kind)).toEqual([
      'keep-shut',
      'technician',
      'move',
      'use-first',
      'ice',
    ]);
    expect(moves[2]).toMatchObject({ trays: 4, placeId: under.id, codes: ['SOON', 'LATE'] });
    const [shut] = movesFor(alarm({ causes: [{ cause: 'door', weight: 1 }] }), affected, to);
    expect(shut).toEqual({ kind: 'shut-door' });
  });

  it('sends no tray to a place that is warm too', () => {
    expect(placesToMoveTo(place.id, book.places, stacks, new Set([under.id]))).toEqual([]);
    expect(movesFor(alarm(), affected, []).some(({ kind }) => kind === 'move')).toBe(false);
  });

  it('is a decision once it is over, and a look at the probe when that is silent', () => {
    const over = alarm({ untilAt: new Date(NOW_MS).toISOString() });
    expect(movesFor(over, affected, []).map(({ kind }) => kind)).toEqual(['decide', 'use-first']);
    expect(movesFor(over, [], [])).toEqual([]);
    expect(movesFor(alarm({ kind: 'silent' }), [], [])[0]).toEqual({ kind: 'check-probe' });
  });
});
