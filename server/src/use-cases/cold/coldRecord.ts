import {
  STANDARD_COLD_RULES,
  type ColdDay,
  type ColdRecord,
  type DayLine,
  type House,
  type HouseBook,
  type ProbeDay,
} from '@calm/contract';
import words from '@calm/domain/words/en/trade.json' with { type: 'json' };
import { buckets, summaryOf, type ProbeReading } from '@calm/core';
import { writeCsv } from '@calm/domain/files';
import { readAlarmsBetween } from '../../store/cold/alarms';
import { readBook } from '../../store/house/houses';
import { readColdNotes } from '../../store/cold/coldNotes';
import { readProbes, type NumberedProbe } from '../../store/cold/probes';
import { readReadings } from '../../store/cold/readings';
import type { Scope } from '../../database/scope';
import {
  addDays,
  datesFrom,
  instantOf,
  localTimeOf,
  personOf,
  enteredLate,
  recordOf,
} from '@calm/domain';

/** A day's line has one point for each of so many seconds: no more than a screen is wide. */
const POINT_S = 5 * 60;

/** A local day's first and last second; of today only what is over. */
function secondsOf(house: House, date: string, now: Date): [number, number] {
  const from = instantOf(date, 0, house.timeZone).getTime() / 1000;
  const to = instantOf(addDays(date, 1), 0, house.timeZone).getTime() / 1000 - 1;
  return [from, Math.max(from, Math.min(to, Math.floor(now.getTime() / 1000)))];
}

const limitOf = ({ settings }: House): number => (settings.cold ?? STANDARD_COLD_RULES).limitC;

function probeDay(
  house: House,
  date: string,
  { probe }: NumberedProbe,
  readings: readonly ProbeReading[],
  [fromS, toS]: [number, number],
): ProbeDay {
  return { probeId: probe.id, date, summary: summaryOf(readings, fromS, toS, limitOf(house)) };
}

/** One day of every probe, as lines and as figures. */
export async function coldDay(
  scope: Scope,
  house: House,
  date: string,
  now: Date,
): Promise<ColdDay> {
  const [days, lines]: [ProbeDay[], DayLine[]] = [[], []];
  const stretch = secondsOf(house, date, now);
  for (const probe of await readProbes(scope)) {
    const readings = await readReadings(scope, probe, ...stretch);
    days.push(probeDay(house, date, probe, readings, stretch));
    const points = buckets(readings, POINT_S);
    lines.push({
      probeId: probe.probe.id,
      atS: points.map(({ atS }) => atS),
      meanC: points.map(({ meanC }) => Math.round(meanC * 100) / 100),
    });
  }
  return { date, days, lines };
}

/** Some days of the cold as an inspector asks for them: figures by day, what went wrong, what was done. */
export async function coldRecord(
  scope: Scope,
  house: House,
  { from, days }: { readonly from: string; readonly days: number },
  now: Date,
): Promise<ColdRecord> {
  const probes = await readProbes(scope);
  const all: ProbeDay[] = [];
  for (const date of datesFrom(from, days)) {
    const stretch = secondsOf(house, date, now);
    for (const probe of probes) {
      const readings = await readReadings(scope, probe, ...stretch);
      all.push(probeDay(house, date, probe, readings, stretch));
    }
  }
  const [first, end] = [
    instantOf(from, 0, house.timeZone),
    instantOf(addDays(from, days), 0, house.timeZone),
  ];
  return {
    from,
    days: all,
    alarms: await readAlarmsBetween(scope, first, end),
    notes: await readColdNotes(scope, first, end),
  };
}

/** The same as a table: a line for each probe and day, each alarm, each note. */
export async function coldRecordCsv(
  scope: Scope,
  house: House,
  stretch: { readonly from: string; readonly days: number },
  now: Date,
): Promise<string> {
  const record = await coldRecord(scope, house, stretch, now);
  const book = await readBook(scope, house);
  const probes = await readProbes(scope);
  const lines = [
    ...record.days.map((day) => dayRow(day, book, probes)),
    ...record.alarms.map((alarm) => {
      const { acknowledged, kind, fromAt, untilAt } = alarm;
      return {
        ...whereOf(alarm.probeId, book, probes),
        ...timeOf(house, fromAt),
        what: words.cold[kind],
        until: untilAt === null ? '' : localTimeOf(new Date(untilAt), house.timeZone),
        'most °C': degrees(alarm.worstC),
        'mean °C': degrees(alarm.meanC),
        who: personOf(book, acknowledged?.personId)?.name ?? '',
        note: acknowledged?.note ?? '',
      };
    }),
    ...record.notes.map(({ at, receivedAt, personId, content }) => ({
      place: recordOf(book, 'places', content.placeId)?.name ?? '',
      zone: content.kind === 'round' ? content.zone : '',
      ...timeOf(house, at),
      what: words.cold[content.kind],
      'mean °C': content.kind === 'round' ? degrees(content.airC) : '',
      who: personOf(book, personId)?.name ?? '',
      note: content.kind === 'action' ? content.note : '',
      'entered late': lateOf(house, enteredLate({ at, receivedAt })),
    })),
  ].sort((a, b) => (`${a.date} ${a.time}` < `${b.date} ${b.time}` ? -1 : 1));
  return writeCsv(lines, FIELDS);
}

const FIELDS = [
  'date',
  'time',
  'place',
  'zone',
  'what',
  'until',
  'least °C',
  'most °C',
  'mean °C',
  'min above the limit',
  'min without a reading',
  'who',
  'note',
  'entered late',
];

function dayRow(
  { probeId, date, summary }: ProbeDay,
  book: Pick<HouseBook, 'places'>,
  probes: readonly NumberedProbe[],
) {
  return {
    ...whereOf(probeId, book, probes),
    date,
    time: '',
    what: words.cold.day,
    'least °C': degrees(summary?.minC ?? null),
    'most °C': degrees(summary?.maxC ?? null),
    'mean °C': degrees(summary?.meanC ?? null),
    'min above the limit': summary ? Math.round(summary.aboveMin) : '',
    'min without a reading': summary ? Math.round(summary.unknownMin) : '',
  };
}

function whereOf(
  probeId: string,
  { places }: Pick<HouseBook, 'places'>,
  probes: readonly NumberedProbe[],
) {
  const probe = probes.find((each) => each.probe.id === probeId)?.probe;
  return {
    place: places.find(({ id }) => id === probe?.placeId)?.name ?? '',
    zone: probe?.zone ?? '',
  };
}

function timeOf({ timeZone }: House, at: string) {
  const instant = new Date(at);
  const [date, time] = localTimeOf(instant, timeZone).split(' ');
  return { date: date ?? '', time: time ?? '' };
}

const lateOf = ({ timeZone }: House, at: string | null): string =>
  at === null ? '' : localTimeOf(new Date(at), timeZone);

const degrees = (c: number | null): string => (c === null ? '' : c.toFixed(1));
