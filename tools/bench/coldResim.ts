import { airOfPlaces, boardLots, simulateCold, type ColdQuestion } from '@calm/domain';
import type { Lot, Probe, Service } from '@calm/contract';
import { exampleBook, historyOf } from '@calm/demo';

/** A Wednesday afternoon of the demo house. */
const NOW = new Date('2026-11-25T14:40:00.000Z');
const DAY_S = 86_400;

/** How long it takes to calculate a house's cold again after a reading. */
export interface ColdTiming {
  readonly lots: number;
  /** Of what the server calculates after each reading: every room and lot, by what was read, ms. */
  readonly middleMs: number;
  readonly mostMs: number;
}

/** Lots of the demo house that the cold has to do with, as often as it takes, with four days of readings. */
export function benchCold(lots: number, runs: number): ColdTiming {
  const question = questionOf(lots);
  const times: number[] = [];
  for (let i = 0; i < runs + 5; i += 1) {
    const began = performance.now();
    if (!simulateCold(question).ok) throw new Error('the house is simulated');
    if (i >= 5) times.push(performance.now() - began);
  }
  times.sort((a, b) => a - b);
  return {
    lots: question.lots.length,
    middleMs: times[Math.floor(times.length / 2)] ?? NaN,
    mostMs: times.at(-1) ?? NaN,
  };
}

function questionOf(wanted: number): ColdQuestion {
  const book = exampleBook();
  const nowS = NOW.getTime() / 1000;
  const made = historyOf(book, NOW).filter(({ closeAt }) => Date.parse(closeAt) > NOW.getTime());
  const services = made.map(serviceOf);
  const own = boardLots(book, services, made).filter(({ lot }) => lot !== null);
  const lots = Array.from({ length: wanted }, (_, i) => {
    const board = own[i % own.length];
    if (!board?.lot) throw new Error('the demo has lots under way');
    return { ...board, lot: { ...board.lot, id: `${board.lot.id}/${i}` } };
  });
  const cooled = book.places.filter(({ room }) => room !== null);
  const probes: Probe[] = cooled.flatMap(({ id: placeId, zones }) =>
    zones.map(({ name: zone }) => {
      const id = `${placeId}/${zone}`;
      return { id, name: id, placeId, zone, calibrations: [], version: 1 };
    }),
  );
  const atS = Array.from({ length: 4 * 144 }, (_, i) => nowS - 4 * DAY_S + i * 600);
  const air = probes.map(({ id }, i) => ({
    probeId: id,
    atS,
    meanC: atS.map((at) => 3.5 + Math.sin(at / 5000 + i)),
  }));
  return {
    book,
    services,
    lots,
    records: [],
    air: airOfPlaces(book.places, probes, air, []),
    nowS,
  };
}

/** A service that wants what a lot makes. */
const serviceOf = ({ serviceDate, doorsAt, closeAt, items }: Lot): Service => ({
  patternId: `${serviceDate}/${doorsAt}`,
  name: 'Dinner',
  date: serviceDate,
  startsAt: doorsAt,
  endsAt: closeAt,
  counts: items.map(({ productId, count }) => ({
    productId,
    count,
    usual: count,
    origin: 'usual',
    version: 0,
  })),
});
