import { DAY_S, MINUTE_MS, ok, fail, type ReadyWindow } from '@calm/core';
import {
  airOfPlaces,
  boardLots,
  type ColdQuestion,
  type PlaceAir,
  addDays,
  localDateOf,
  type SimulatedPortion,
} from '@calm/domain';
import {
  COLD_DAYS_BACK,
  COLD_HANGS_ON,
  type AlarmAcknowledgement,
  type ColdAlarm,
  type ColdBoard,
  type ColdLot,
  type ColdNote,
  type ColdNoteStart,
  type House,
  type LastReading,
  type Place,
  type ProbeAir,
} from '@calm/contract';
import { findAlarm, readAlarms, writeAcknowledgement } from '../../store/cold/alarms';
import { onThread } from '../../workers/threads';
import { readVersions } from '../../store/writes';
import { placeRepository } from '../../store/house/places';
import { insertColdNote, readColdNotes } from '../../store/cold/coldNotes';
import { readLots } from '../../store/lots/lots';
import { readPlan } from '../../store/plan/plans';
import { readProbes } from '../../store/cold/probes';
import { readBuckets, readLast } from '../../store/cold/readings';
import { readRecords } from '../../store/lots/records';
import type { Scope } from '../../database/scope';
import { plainServices } from '../demand/calendar';
import { bookOf } from '../book/losses';
import { seenAt, type Writing } from '../lots/records';
import { noteChange } from '../access/recordWrite';
import { badInput, type Result } from '../result';

/** Dates of services that the cold has to do with: those just over, and those whose dough is coming in. */
const DAYS_BEFORE = 1;
const DAYS = 6;

/** What was calculated last for a house, and from what. */
interface Calculated<Value> {
  readonly key: string;
  readonly value: Value;
}

/**
 * The cold of the houses that a server serves. How long everything would keep had every room held its set temperature is
 * worked out when something but readings was written, and every ten minutes.
 */
export class ColdBoards {
  private readonly asSet = new Map<string, Calculated<readonly ReadyWindow[]>>();

  /** A house's cold now. */
  now(scope: Scope, house: House, now: Date): Promise<ColdBoard> {
    return coldBoard(scope, house, now, (question) => this.windowsAsSet(scope, house, question));
  }

  /** How long everything would keep had every room held its set temperature; no reading changes that. */
  private async windowsAsSet(
    scope: Scope,
    house: House,
    question: ColdQuestion,
  ): Promise<readonly ReadyWindow[]> {
    const tenMinutes = Math.floor((question.nowS * 1000) / AS_SET_MS);
    const versions = await readVersions(scope, COLD_HANGS_ON);
    const key = `${tenMinutes}/${versions}`;
    return known(this.asSet, house, key, () => onThread('windowsAsSet', question));
  }
}

const AS_SET_MS = 10 * MINUTE_MS;

/** What is known of a house, calculated when it is not of this key. */
async function known<Value>(
  of: Map<string, Calculated<Value>>,
  { id }: House,
  key: string,
  calculate: () => Promise<Value>,
): Promise<Value> {
  const last = of.get(id);
  if (last?.key === key) return last.value;
  const value = await calculate();
  of.set(id, { key, value });
  return value;
}

/** Everything about a house's cold now: what was read, what is wrong, and what it means for every lot. */
async function coldBoard(
  scope: Scope,
  house: House,
  now: Date,
  /** In the order of the question's parts. */
  windowsAsSet: (question: ColdQuestion) => Promise<readonly ReadyWindow[]>,
): Promise<ColdBoard> {
  const nowS = Math.floor(now.getTime() / 1000);
  const since = new Date((nowS - COLD_DAYS_BACK * DAY_S) * 1000);
  const numbered = await readProbes(scope);
  const probes = numbered.map(({ probe }) => probe);
  const [air, last]: [ProbeAir[], LastReading[]] = [[], []];
  for (const own of numbered) {
    const buckets = await readBuckets(scope, own, nowS - COLD_DAYS_BACK * DAY_S, nowS);
    air.push({
      probeId: own.probe.id,
      atS: buckets.map(({ atS }) => atS),
      meanC: buckets.map(({ meanC }) => Math.round(meanC * 100) / 100),
    });
    const latest = await readLast(scope, own, nowS);
    if (latest) {
      const at = new Date(latest.atS * 1000).toISOString();
      last.push({ probeId: own.probe.id, at, airC: latest.airC });
    }
  }
  const notes = await readColdNotes(scope, since, now);
  const question = await questionOf(scope, house, now, (places) =>
    airOfPlaces(places, probes, air, notes),
  );
  return {
    at: now.toISOString(),
    probes,
    last,
    alarms: await readAlarms(scope, since),
    notes,
    air,
    lots: lotsOf(await onThread('coldPortions', question), await windowsAsSet(question)),
  };
}

async function questionOf(
  scope: Scope,
  house: House,
  now: Date,
  airIn: (places: readonly Place[]) => readonly PlaceAir[],
): Promise<ColdQuestion> {
  const from = addDays(localDateOf(now, house.timeZone), -DAYS_BEFORE);
  const before = addDays(from, DAYS);
  const book = await bookOf(scope, house);
  const [services, lots, plan, records] = [
    await plainServices(scope, house, { from, days: DAYS }),
    await readLots(scope, from, before),
    await readPlan(scope),
    await readRecords(scope, from, before),
  ];
  return {
    book,
    services,
    lots: boardLots(book, services, lots, plan.content),
    records,
    air: airIn(book.places),
    nowS: Math.floor(now.getTime() / 1000),
  };
}

/** What the cold means for every lot, next to what it would as set. */
function lotsOf(
  portions: readonly SimulatedPortion[],
  asSet: readonly ReadyWindow[],
): readonly ColdLot[] {
  return portions.map((part, i): ColdLot => {
    const { lot, product, placeId, zone, mixedMs, window, held, coreC, rise } = part;
    return {
      key: lot.lot?.id ?? `${lot.code}/${lot.date}`,
      code: lot.code,
      productId: product.id,
      placeId,
      zone,
      mixedMs,
      now: window,
      // The same parts in the same order: only what they stood in differs.
      asSet: asSet[i] ?? window,
      held,
      coreC,
      rise,
    };
  });
}

/** Somebody is on an alarm. Once acknowledged, it nags nobody any more. */
export async function acknowledgeAlarm(
  scope: Scope,
  id: string,
  sent: AlarmAcknowledgement,
  { personId, now }: Writing,
): Promise<Result<ColdAlarm>> {
  const before = await findAlarm(scope, id);
  const isWritten = await writeAcknowledgement(scope, id, sent, now, personId);
  const current = await findAlarm(scope, id);
  if (!current) return fail({ kind: 'not-found', what: 'alarm' });
  if (!isWritten) return fail({ kind: 'stale', current, sent });
  noteChange(scope, 'alarm', id, before, current);
  return ok(current);
}

/** Puts on record what somebody read or did. */
export async function addColdNote(
  scope: Scope,
  { id, at, content }: ColdNoteStart,
  { personId, now }: Writing,
): Promise<Result<ColdNote>> {
  if (!(await placeRepository.find(scope, content.placeId)))
    return badInput('content/placeId', 'id.unknown', 'The house has no such place.');
  const seen = seenAt(at, now);
  if (!seen.ok) return seen;
  const note: ColdNote = {
    id,
    at: seen.value.toISOString(),
    receivedAt: now.toISOString(),
    personId,
    content,
  };
  return (await insertColdNote(scope, note))
    ? ok(note)
    : badInput('id', 'id.taken', 'There is a note of this name already.');
}
