import type { HouseBook, LotRecord, Product, Service, Usage } from '@calm/contract';
import {
  goneBy,
  HOUR_MS,
  MINUTE_MS,
  type AdvicePlace,
  type Container,
  type UsageCurve,
} from '@calm/core';
import {
  currentRecords,
  lentOf,
  serviceIdOf,
  type BoardLot,
  type PlaceAir,
  type WaitingLot,
} from '@calm/domain';

/** Readings that are older say nothing of a place now, s. */
const FRESH_S = 3 * 3600;
/** Places in which it is warm alike are one. */
const APART_C = 0.5;

/** Where a lot's balls could stand now: the cold as it was read last, and where its route has it. */
export function spotsOf(
  { places }: Pick<HouseBook, 'places'>,
  air: readonly PlaceAir[],
  { recipe }: Pick<BoardLot, 'recipe'>,
  nowMs: number,
): AdvicePlace[] {
  const rests = recipe.route.filter((stage) => stage.kind === 'rest');
  const tray: Container = rests.at(-1)?.container ?? 'lidded-tray';
  const cooled = places.flatMap(({ id, name, room }): AdvicePlace[] => {
    if (!room) return [];
    const own = air.find(({ placeId }) => placeId === id);
    return [{ name, airTempC: lastRead(own, nowMs) ?? room.setC, container: tray }];
  });
  const warm = rests
    .filter(({ place }) => !cooled.some(({ name }) => name === place))
    .map(({ place, airTempC }) => ({ name: place, airTempC, container: tray }));
  return [...cooled, ...warm].reduce<AdvicePlace[]>(
    (kept, spot) =>
      kept.some(
        ({ name, airTempC }) => name === spot.name || Math.abs(airTempC - spot.airTempC) < APART_C,
      )
        ? kept
        : [...kept, spot],
    [],
  );
}

/** How warm a place's own air was last, °C; null where nobody has read it of late. */
function lastRead(air: PlaceAir | undefined, nowMs: number): number | null {
  const last = (air?.probes ?? []).flatMap(({ zoneC, readings }) => {
    const read = readings.at(-1);
    return read && nowMs / 1000 - read.atS < FRESH_S ? [read.airC - zoneC] : [];
  });
  return last.length === 0 ? null : last.reduce((sum, c) => sum + c, 0) / last.length;
}

/** Services of a lot's date that still want a product of it; the next ones that do where all are over. */
export function servicesFor(
  services: readonly Service[],
  lot: BoardLot,
  records: readonly LotRecord[],
  nowMs: number,
  { id }: Pick<Product, 'id'> = lot.product,
  usage: readonly Usage[] = [],
): WaitingLot['services'] {
  const made = lot.items.find(({ productId }) => productId === id)?.count ?? 0;
  const pulled = currentRecords(records, 'pulled').filter(
    ({ content }) => content.productId === id,
  );
  const wanting = services.flatMap((service) => {
    const { date, startsAt, endsAt, counts } = service;
    const wanted = counts.find(({ productId }) => productId === id)?.count ?? 0;
    const out = pulled
      .filter(({ content }) => content.serviceId === serviceIdOf(service))
      .reduce((sum, { content }) => sum + content.balls, 0);
    const count = wanted - out;
    const [startMs, endMs] = [Date.parse(startsAt), Date.parse(endsAt)];
    const curve = usage.find(
      (each) => each.productId === id && each.service === service.name,
    )?.curve;
    return count > 0 && endMs > nowMs && date >= lot.date
      ? [{ date, startMs, endMs, count, out, curve }]
      : [];
  });
  const sorted = [...wanting].sort((a, b) => a.startMs - b.startMs);
  const [first] = sorted;
  let left = made - (lot.lot ? lentOf(records, lot.lot, id) : 0);
  return sorted
    .filter(({ date }) => date === first?.date)
    .flatMap(({ startMs, endMs, count, out, curve }) => {
      const balls = Math.min(left, count);
      left -= balls;
      const all = byHours({ startMs, endMs, balls: balls + out }, curve ?? []);
      return balls > 0 ? without(out, all) : [];
    });
}

type Wanting = WaitingLot['services'][number];

/** Hours of a service whose first guests are served from what was pulled for them: the oldest goes first. */
function without(out: number, hours: readonly Wanting[]): Wanting[] {
  let gone = out;
  return hours.flatMap((hour): Wanting[] => {
    const fromIt = Math.min(gone, hour.balls);
    gone -= fromIt;
    const balls = hour.balls - fromIt;
    const share = hour.balls > 0 ? fromIt / hour.balls : 0;
    const startMs = hour.startMs + share * (hour.endMs - hour.startMs);
    return balls > 0 || out === 0 ? [{ ...hour, startMs, balls }] : [];
  });
}

/**
 * A service hour by hour, with as many balls in each as usually go in it: dough that is ready late is no help to
 * who comes early. In one piece where nothing is known of how they come.
 */
export function byHours(service: Wanting, curve: UsageCurve): Wanting[] {
  const { startMs, endMs, balls } = service;
  const hours = Math.ceil((endMs - startMs) / HOUR_MS);
  if (curve.length === 0 || hours < 2) return [service];
  const ends = Array.from({ length: hours }, (_, i) =>
    Math.min(endMs, startMs + (i + 1) * HOUR_MS),
  );
  const shares = ends.map((ms) => goneBy(curve, (ms - startMs) / MINUTE_MS));
  const all = shares.at(-1) ?? 0;
  if (all <= 0) return [service];
  // Whole balls, none of them lost: each hour has what has gone by its end, less what had gone before.
  const gone = shares.map((share) => Math.round((balls * share) / all));
  return ends.map((ms, i) => ({
    startMs: i === 0 ? startMs : (ends[i - 1] ?? startMs),
    endMs: ms,
    balls: (gone[i] ?? 0) - (gone[i - 1] ?? 0),
  }));
}
