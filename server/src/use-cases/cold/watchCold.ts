import { STANDARD_COLD_RULES, type ColdAlarm, type House, type Place } from '@calm/contract';
import {
  alarmsIn,
  likelyCauses,
  USUAL_ROOM,
  type AlarmAround,
  type AlarmFound,
  type ProbeReading,
  type Room,
} from '@calm/core';
import { insertAlarm, readAlarms, removeAlarm, writeAlarm } from '../../store/cold/alarms';
import { takeTurn } from '../../store/coordination';
import { readItems } from '../../store/lots/lots';
import { readPlaces } from '../../store/house/places';
import { readProbes, type NumberedProbe } from '../../store/cold/probes';
import { readReadings } from '../../store/cold/readings';
import { readRecordsSince } from '../../store/lots/records';
import type { Scope } from '../../database/scope';

/** Readings older than this raise no alarm any more, s. */
const LOOK_BACK_S = 36 * 3600;
/** Two findings that begin within this of each other are one, s: a late reading may move its beginning. */
const SAME_WITHIN_S = 30 * 60;
/** Dough that came in within this long before may be behind it, s. */
const WARM_WITHIN_S = 2 * 3600;

/** A probe, what it showed, and what is wrong by it. */
interface Watched {
  readonly probe: NumberedProbe;
  readonly place: Place;
  readonly readings: readonly ProbeReading[];
  readonly found: readonly AlarmFound[];
}

/**
 * Looks at what the probes have shown of late and brings the house's alarms up to date: new ones are added,
 * known ones go on or end, and those that late readings have undone are taken away unless somebody has taken
 * care of them.
 *
 * @param touched numbers of the probes that have posted; all are looked at when absent
 * @returns whether anything changed
 */
export async function watchCold(
  scope: Scope,
  house: House,
  now: Date,
  touched?: ReadonlySet<number>,
): Promise<boolean> {
  await takeTurn(scope, 'cold');
  const nowS = Math.floor(now.getTime() / 1000);
  const [probes, { now: places }] = [await readProbes(scope), await readPlaces(scope)];
  const rules = house.settings.cold ?? STANDARD_COLD_RULES;
  const sinceS = nowS - LOOK_BACK_S;
  const seen = new Map<number, Watched>();
  const look = async (probe: NumberedProbe): Promise<Watched | null> => {
    const known = seen.get(probe.no);
    const place = places.find(({ id }) => id === probe.probe.placeId);
    if (known || !place) return known ?? null;
    const readings = await readReadings(scope, probe, sinceS, nowS);
    const zoneC = place.zones.find(({ name }) => name === probe.probe.zone)?.warmerC ?? 0;
    const found = alarmsIn(readings, rules, { room: place.room, zoneC, nowS });
    const watched = { probe, place, readings, found };
    seen.set(probe.no, watched);
    return watched;
  };
  const all = async (): Promise<Watched[]> => {
    const looked = [];
    for (const probe of probes) looked.push(await look(probe));
    return looked.filter((each) => each !== null);
  };
  const alarms = await readAlarms(scope, new Date(sinceS * 1000));
  let isChanged = false;
  for (const probe of probes) {
    if (touched && !touched.has(probe.no)) continue;
    const watched = await look(probe);
    if (watched && (await bringUpToDate(scope, house, watched, all, alarms, nowS))) {
      isChanged = true;
    }
  }
  return isChanged;
}

async function bringUpToDate(
  scope: Scope,
  house: House,
  own: Watched,
  all: () => Promise<readonly Watched[]>,
  known: readonly ColdAlarm[],
  nowS: number,
): Promise<boolean> {
  const ours = known.filter(({ probeId }) => probeId === own.probe.probe.id);
  const still = new Set<string>();
  let isChanged = false;
  for (const alarm of own.found) {
    const same = ours.find((each) => !still.has(each.id) && isSame(each, alarm, nowS));
    if (!same) {
      const causes = likelyCauses(
        alarm,
        await aroundOf(scope, house, own, await all(), alarm, nowS),
      );
      await insertAlarm(scope, own.probe.probe.id, alarm, causes);
      isChanged = true;
      continue;
    }
    still.add(same.id);
    if (!isTold(same, alarm)) {
      await writeAlarm(scope, same, alarm);
      isChanged = true;
    }
  }
  const sinceMs = (nowS - LOOK_BACK_S) * 1000;
  for (const gone of ours) {
    const isOld = Date.parse(gone.fromAt) < sinceMs + SAME_WITHIN_S * 1000;
    if (still.has(gone.id) || gone.acknowledged || isOld) continue;
    await removeAlarm(scope, gone.id);
    isChanged = true;
  }
  return isChanged;
}

/** A rise that becomes an excursion, or overlaps what is known, is what is known. */
function isSame(alarm: ColdAlarm, { kind, fromS, untilS }: AlarmFound, nowS: number): boolean {
  const isWarm = (of: string) => of !== 'silent';
  if (alarm.kind !== kind && !(isWarm(alarm.kind) && isWarm(kind))) return false;
  const from = Date.parse(alarm.fromAt) / 1000;
  const until = alarm.untilAt === null ? nowS : Date.parse(alarm.untilAt) / 1000;
  return fromS <= until + SAME_WITHIN_S && (untilS ?? nowS) >= from - SAME_WITHIN_S;
}

/** Whether an alarm says already what was found. */
const isTold = (alarm: ColdAlarm, { kind, fromS, untilS, worstC, meanC }: AlarmFound): boolean =>
  alarm.kind === kind &&
  Date.parse(alarm.fromAt) === fromS * 1000 &&
  (alarm.untilAt === null ? null : Date.parse(alarm.untilAt)) ===
    (untilS === null ? null : untilS * 1000) &&
  near(alarm.worstC, worstC) &&
  near(alarm.meanC, meanC);

/** As the database keeps them. */
const near = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a === b : Math.abs(a - b) < 0.006;

async function aroundOf(
  scope: Scope,
  house: House,
  { place }: Watched,
  all: readonly Watched[],
  alarm: AlarmFound,
  nowS: number,
): Promise<AlarmAround> {
  const others = all.filter((each) => each.place.id !== place.id && each.place.room);
  const silent = all.filter((each) => isSilent(each, nowS));
  return {
    room: place.room ?? NO_ROOM,
    outsideC: house.settings.usualTempsC.room,
    othersToo: others.length === 0 ? null : others.some((each) => isRising(each, alarm.fromS)),
    warmKg: await warmKgInto(scope, place, alarm.fromS),
    allSilent: silent.length === all.length && all.length > 1,
  };
}

/** A place that is not cooled has no compressor to blame. */
const NO_ROOM: Room = { ...USUAL_ROOM, coolingW: 0, defrost: null };

const isSilent = ({ readings, found }: Watched, nowS: number): boolean =>
  found.some(({ kind, untilS }) => kind === 'silent' && untilS === null) ||
  (readings.at(-1)?.atS ?? 0) < nowS - 3600;

/** Warmer by more than a thermostat's swing than in the hour before. */
function isRising({ readings }: Watched, fromS: number): boolean {
  const mean = (from: number, to: number) => {
    const temps = readings.filter(({ atS }) => atS >= from && atS < to).map(({ airC }) => airC);
    return temps.length === 0 ? null : temps.reduce((sum, c) => sum + c, 0) / temps.length;
  };
  const [before, after] = [mean(fromS - 5400, fromS - 1800), mean(fromS, fromS + 3600)];
  return before !== null && after !== null && after - before > 1.5;
}

/** Dough that was put into a place shortly before, kg. */
async function warmKgInto(scope: Scope, { id }: Place, fromS: number): Promise<number> {
  const since = new Date((fromS - WARM_WITHIN_S) * 1000);
  const records = await readRecordsSince(scope, 'moved', since, new Date(fromS * 1000));
  const into = records.filter(
    ({ content }) =>
      content.kind === 'moved' && content.from === null && content.to?.placeId === id,
  );
  if (into.length === 0) return 0;
  const items = await readItems(scope, [...new Set(into.map(({ lotId }) => lotId))]);
  return into.reduce((sum, { lotId, content }) => {
    if (content.kind !== 'moved') return sum;
    const item = items.get(lotId)?.find(({ productId }) => productId === content.productId);
    return sum + (content.balls * (item?.ballWeightG ?? 0)) / 1000;
  }, 0);
}
