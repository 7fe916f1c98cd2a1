import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type ReadyWindow, stageKey, workOf } from '@calm/core';
import type {
  Lot,
  LotRecord,
  RecordContent,
  ColdLot,
  ColdAlarm,
  Probe,
  Spot,
} from '@calm/contract';
import { emptyMark } from '../lots/marks';
import { boardLots, leadProducts, type BoardLot } from '../lots/lotBoard';
import { airOfPlaces } from './airOfPlaces';
import { simulateCold } from './simulateCold';
import { affectedLots, movesFor, placesToMoveTo } from './moves';
import type { ColdQuestion } from './coldQuestion';
import { racksAt } from './racks';
import { discardedOf, lotsPutFirst, stacksAt, traysOf } from './stacks';

const book = exampleBook();
const product = leadProducts(book).find(({ slug }) => slug === 'yard-round');
const place = book.places.find(({ name }) => name === 'Walk-in');
const under = book.places.find(({ name }) => name === 'Under-counter');
if (!product || !place || !under) throw new Error('the demo has a round and a walk-in');
const services = exampleServices(product);
const plain = exampleLot(book, product);
const board = (lot: Lot): BoardLot => {
  const [only] = boardLots(book, services, [lot]);
  if (!only) throw new Error('a lot that is under way is on the board');
  return only;
};
const stages = board(plain).stages;
const cold = stages.find(({ kind, key }) => kind === 'rest' && key === 'cold');
if (!cold) throw new Error('the round is held cold');
const [COLD_MS, PULL_MS] = [cold.startMs, cold.endMs];
/** The lot as it is once it has been put in the cold. */
const chilled: Lot = {
  ...plain,
  marks: workOf(stages)
    .filter(({ endMs }) => endMs <= COLD_MS)
    .map((work) => ({
      ...emptyMark(0, stageKey(work)),
      doneAt: new Date(work.endMs).toISOString(),
      version: 1,
    })),
};
const HOUR_MS = 3_600_000;
const NOW_MS = COLD_MS + 20 * HOUR_MS;

const spot = (zone: string, position: number, placeId = place.id): Spot => ({
  placeId,
  zone,
  position,
});
let made = 0;
const record = (
  ms: number,
  content: RecordContent,
  correctsId: string | null = null,
): LotRecord => {
  made += 1;
  return {
    id: `r${made}`,
    lotId: plain.id,
    at: new Date(ms).toISOString(),
    personId: null,
    correctsId,
    content,
  };
};
const moved = (ms: number, from: Spot | null, to: Spot | null, trays: number) =>
  record(ms, { kind: 'moved', productId: product.id, from, to, trays, balls: trays * 12 });

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
