import type { LotRecord, RecordContent } from '@calm/contract';
import { boardLots, leadProducts, lotItem, serviceIdOf } from '@calm/domain';
import { exampleBook, exampleLot, exampleServices } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { byHours, servicesFor, spotsOf } from './spots';

const book = exampleBook();
const round = leadProducts(book).find(({ slug }) => slug === 'yard-round');
if (!round) throw new Error('the demo has a round');
const services = exampleServices(round);
const [lunch, dinner] = services;
if (!lunch || !dinner) throw new Error('it is for two services');
const [lot] = boardLots(book, services, [exampleLot(book, round)]);
if (!lot) throw new Error('it is on the board');
const beforeMs = Date.parse(lunch.startsAt) - 3_600_000;
const recordOf = (content: RecordContent): LotRecord => ({
  id: 'r',
  lotId: lot.lot?.id ?? '',
  at: lunch.startsAt,
  receivedAt: lunch.startsAt,
  personId: null,
  correctsId: null,
  content,
});

describe('where a lot could stand', () => {
  const walkIn = book.places.find(({ name }) => name === 'Walk-in');
  const air = (atS: number, airC: number) => [
    {
      placeId: walkIn?.id ?? '',
      probes: [{ zone: 'back', zoneC: -0.3, readings: [{ atS, airC }] }],
    },
  ];
  const walkInC = (atS: number) =>
    spotsOf(book, air(atS, 2.7), lot, beforeMs).find(({ name }) => name === 'Walk-in')?.airTempC;

  it('is in the cold as it was read last, or as it is set', () => {
    expect(walkInC(beforeMs / 1000 - 600)).toBeCloseTo(3, 9);
    expect(walkInC(beforeMs / 1000 - 86_400)).toBe(walkIn?.room?.setC);
  });

  it('is where its route has it, too, and each place once', () => {
    const names = spotsOf(book, [], lot, beforeMs).map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    expect(names.length).toBeGreaterThan(2);
  });
});

describe('who wants a lot', () => {
  const countOf = (service: typeof lunch) =>
    service.counts.find(({ productId }) => productId === round.id)?.count ?? 0;

  it('are its services that are not over, for no more balls than there are', () => {
    const [first, second] = servicesFor(services, lot, [], beforeMs);
    expect(first?.balls).toBe(countOf(lunch));
    const made = lot.items.find(({ productId }) => productId === round.id)?.count ?? 0;
    expect((first?.balls ?? 0) + (second?.balls ?? 0)).toBeLessThanOrEqual(made);
    const late = servicesFor(services, lot, [], Date.parse(lunch.endsAt) + 1);
    expect(late[0]?.startMs).toBe(Date.parse(dinner.startsAt));
  });

  it('is not asked again for what was pulled for it', () => {
    const pulled = recordOf({
      kind: 'pulled',
      productId: round.id,
      serviceId: serviceIdOf(lunch),
      trays: 1,
      balls: 12,
    });
    const [first] = servicesFor(services, lot, [pulled], beforeMs);
    expect(first?.balls).toBe(countOf(lunch) - 12);
    // They went to who came first: the others are wanted later.
    expect(first?.startMs).toBeGreaterThan(Date.parse(lunch.startsAt));
    const curve = Array.from({ length: 12 }, (_, i) => (i < 4 ? 0.2 : 0.025));
    const usage = [{ service: lunch.name, productId: round.id, curve, days: 9 }];
    const some = servicesFor(services, lot, [pulled], beforeMs, round, usage as never);
    const ofLunch = some.filter(({ endMs }) => endMs <= Date.parse(lunch.endsAt));
    expect(ofLunch.reduce((sum, { balls }) => sum + balls, 0)).toBe(countOf(lunch) - 12);
    expect(ofLunch[0]?.balls).toBeLessThan(0.8 * countOf(lunch));
  });

  it('is asked of each product of a lot by itself', () => {
    const sprout = book.products.find(({ slug }) => slug === 'sprout');
    if (!sprout) throw new Error('the demo has it');
    const both = { ...lot, items: [...lot.items, lotItem(sprout, 9)] };
    const wanting = services.map((service) => ({
      ...service,
      counts: [
        ...service.counts,
        { productId: sprout.id, count: 6, usual: 6, origin: 'usual' as const, version: 0 },
      ],
    }));
    const balls = servicesFor(wanting, both, [], beforeMs, sprout).map((each) => each.balls);
    expect(balls).toEqual([6, 3]);
    expect(servicesFor(wanting, both, [], beforeMs)[0]?.balls).toBe(countOf(lunch));
  });
});

describe('a service hour by hour', () => {
  const service = { startMs: 0, endMs: 3 * 3_600_000, balls: 11 };

  it('has as many balls in each hour as usually go in it, and loses none', () => {
    const hours = byHours(service, [
      ...Array<number>(4).fill(0.05),
      ...Array<number>(4).fill(0.15),
      ...Array<number>(4).fill(0.05),
    ]);
    expect(hours.reduce((sum, { balls }) => sum + balls, 0)).toBe(11);
    expect(hours[0]?.startMs).toBe(0);
    expect(hours.at(-1)?.endMs).toBe(service.endMs);
    expect(Math.max(...hours.map(({ balls }) => balls))).toBe(hours[1]?.balls);
  });

  it('is in one piece where nothing is known of it, and where it is short', () => {
    expect(byHours(service, [])).toEqual([service]);
    const short = { ...service, endMs: 3_000_000 };
    expect(byHours(short, [0.5, 1])).toEqual([short]);
  });
});
