import type { DecidedRecord, LotRecord, Service } from '@calm/contract';
import { boardLots, leadProducts, serviceIdOf } from '@calm/domain';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { decidedPullOf } from './decidedPull';
import { serviceBalls } from './serviceBalls';

const MIN = 60_000;
const book = exampleBook();
const round = leadProducts(book).find(({ slug }) => slug === 'yard-round');
if (!round) throw new Error('the demo has a round');
const services = exampleServices(round);
const [lunch, dinner] = services as [Service, Service];
const doorsMs = Date.parse(dinner.startsAt);
const decidedMs = Date.parse(lunch.endsAt) + 10 * MIN;
const isoAt = (ms: number) => new Date(ms).toISOString();
const pullMs = doorsMs - 40 * MIN;
const opensMs = doorsMs + 15 * MIN;
const endsMs = doorsMs + 240 * MIN;

const decidedFor = (of?: 'cold'): DecidedRecord => {
  const stage = { kind: 'ball', container: 'lidded-tray', isBalledAgain: false } as const;
  return {
    id: 'd',
    lotId: exampleLot(book, round).id,
    at: isoAt(decidedMs),
    receivedAt: null,
    personId: null,
    correctsId: null,
    content: {
      kind: 'decided',
      note: '',
      do: 'pull-later',
      where: 'Bench',
      fromAt: isoAt(pullMs),
      ...(of && { of }),
      stages: [
        { ...stage, place: 'Walk-in', airTempC: 4, untilAt: isoAt(pullMs) },
        { ...stage, place: 'Bench', airTempC: 22, untilAt: isoAt(endsMs) },
      ],
      meant: { opensAt: isoAt(opensMs), endsAt: isoAt(endsMs), balls: 50, odds: 0.9 },
    },
  };
};
const lotWith = (decided?: DecidedRecord) => {
  const lots = boardLots(book, services, [exampleLot(book, round, decided ? { decided } : {})]);
  const [lot] = lots;
  if (!lot) throw new Error('the lot is on the board');
  return lot;
};
const pulledAt = (ms: number): LotRecord => ({
  ...decidedFor(),
  id: 'p',
  at: isoAt(ms),
  content: {
    kind: 'pulled',
    productId: round.id,
    serviceId: serviceIdOf(dinner),
    trays: 2,
    balls: 24,
  },
});
const wanted = { pullMs, opensMs, endsMs };
const of = (service: Service, decided?: DecidedRecord, records: readonly LotRecord[] = []) =>
  decidedPullOf(lotWith(decided), round, service, services, records);

describe('the pull that was decided of what is still in the cold', () => {
  it('is of the first service that was still to be served, and of no other', () => {
    expect(of(dinner, decidedFor('cold'))).toEqual(wanted);
    expect(of(lunch, decidedFor('cold'))).toBeNull();
    expect(of(dinner, decidedFor())).toBeNull();
    expect(of(dinner)).toBeNull();
  });

  it('stands until it is pulled', () => {
    expect(of(dinner, decidedFor('cold'), [pulledAt(decidedMs - MIN)])).toEqual(wanted);
    expect(of(dinner, decidedFor('cold'), [pulledAt(pullMs)])).toBeNull();
  });

  it('takes the place of the waves that would be calculated', () => {
    const lot = lotWith(decidedFor('cold'));
    const window = {
      fromMs: opensMs,
      peakMs: opensMs + 60 * MIN,
      untilMs: endsMs,
      odds: 0.95,
      surest: null,
    };
    const known = { usage: [], forecasts: [], records: [], window };
    const balls = serviceBalls(lot, round, dinner, { ...known, decidedPull: wanted }, decidedMs);
    expect(balls.waves).toEqual([
      { pullMin: -40, readyMin: 15, goodUntilMin: 240, trays: 5, balls: 60 },
    ]);
  });
});
