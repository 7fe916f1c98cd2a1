import { HOUR_S } from '../../units/time';
import type { Room } from '../room/room';
import type { ProbeReading } from './probeReading';

/** When a house wants to be told. The limit is its local code's; the house sets it. */
export interface AlarmRules {
  /** What cold dough and fillings must stay under, °C. */
  readonly limitC: number;
  /** Above the limit for longer than this, min. */
  readonly overMin: number;
  /** A probe that is not heard for longer than this, min. */
  readonly silentMin: number;
}

/** Until a house says otherwise. Starting values; the limit is the local code's to set. */
export const STANDARD_ALARM_RULES = {
  limitC: 5,
  overMin: 30,
  silentMin: 20,
} as const satisfies AlarmRules;

/** What is wrong with the cold at one probe. */
export const ALARM_KINDS = ['above', 'rising', 'silent', 'defrost'] as const;
/** One of them. */
export type AlarmKind = (typeof ALARM_KINDS)[number];

/** Something wrong with the cold, from its first sign until it was over. */
export interface AlarmFound {
  readonly kind: AlarmKind;
  readonly fromS: number;
  /** Null while it goes on. */
  readonly untilS: number | null;
  /** Of the readings meanwhile, °C; null where there were none. */
  readonly worstC: number | null;
  readonly meanC: number | null;
  /** How fast it rose at first, °C/h; null where too little was read. */
  readonly roseCPerH: number | null;
}

/** How far above the thermostat's upper point air must be before its rise means anything, °C. */
const PAST_SWITCH_C = 1;
/** How long it must rise, min. */
const RISING_MIN = 12;
/** It is still rising as long as it has not fallen this far from its highest, °C. */
const FALLEN_C = 0.4;
/** A thaw may take this much longer than set before anybody is told, min. */
const THAW_GRACE_MIN = 15;
/** Back under the limit for this long ends it: a door that opens meanwhile does not begin another, s. */
const OVER_FOR_S = 10 * 60;
/** The first rise is measured over this long, s. */
const FIRST_RISE_S = 25 * 60;

/**
 * Everything wrong with the cold that a probe's readings tell of: above the limit for too long; rising
 * although the compressor should run; a thaw that takes too long; nothing heard. The same readings give the
 * same answer in whatever order and however often they came.
 *
 * @param readings in time's order, corrected, °C
 * @param rules the house's own
 * @param room what its thermostat and its thaw are set to; null where nothing is known of it
 * @param zoneC how much warmer than the room's air the probe hangs, °C
 * @param nowS until when silence counts, s since the epoch
 */
export function alarmsIn(
  readings: readonly ProbeReading[],
  rules: AlarmRules,
  { room, zoneC = 0, nowS }: { room: Room | null; zoneC?: number; nowS: number },
): AlarmFound[] {
  const excursions = [...intervalsAbove(readings, rules.limitC)]
    .filter(([fromS, untilS]) => ((untilS ?? lastS(readings)) - fromS) / 60 > rules.overMin)
    // A thaw warms the air for a while, as it must: that alone is told to nobody.
    .filter(([fromS, untilS]) => !(room && (untilS ?? lastS(readings)) <= thawOverS(room, fromS)))
    .map(([fromS, untilS]) => found('above', readings, fromS, untilS, { room, zoneC }));
  const rises = room ? risesIn(readings, room, zoneC) : [];
  // What has become an excursion is told once, as that.
  const own = rises.filter(
    (rise) =>
      !excursions.some(
        ({ fromS, untilS }) => fromS <= (rise.untilS ?? nowS) && rise.fromS <= (untilS ?? nowS),
      ),
  );
  return [...excursions, ...own, ...silences(readings, rules, nowS)].sort(
    (a, b) => a.fromS - b.fromS,
  );
}

const lastS = (readings: readonly ProbeReading[]): number => readings.at(-1)?.atS ?? 0;

/** Stretches above a limit; the last one may go on. */
function* intervalsAbove(
  readings: readonly ProbeReading[],
  limitC: number,
): Generator<[number, number | null]> {
  let fromS: number | null = null;
  let lastAboveS = 0;
  let before: ProbeReading | null = null;
  for (const reading of readings) {
    const { atS, airC } = reading;
    if (airC > limitC) {
      fromS ??= before && before.airC <= limitC ? crossing(before, reading, limitC) : atS;
      lastAboveS = atS;
    } else if (fromS !== null && atS - lastAboveS > OVER_FOR_S) {
      yield [fromS, lastAboveS];
      fromS = null;
    }
    before = reading;
  }
  if (fromS !== null) {
    yield [fromS, lastS(readings) - lastAboveS > OVER_FOR_S ? lastAboveS : null];
  }
}

/** When the air passed a limit between two readings, to the second. */
const crossing = (a: ProbeReading, b: ProbeReading, limitC: number): number =>
  Math.round(a.atS + ((b.atS - a.atS) * (limitC - a.airC)) / (b.airC - a.airC));

/** Stretches in which the air rose on although the compressor should have turned it. */
function risesIn(readings: readonly ProbeReading[], room: Room, zoneC: number): AlarmFound[] {
  const switchC = room.setC + room.deadBandC + zoneC + PAST_SWITCH_C;
  const rises: AlarmFound[] = [];
  let from: ProbeReading | null = null;
  let highest: ProbeReading | null = null;
  const close = (untilS: number | null) => {
    if (from && highest && highest.atS - from.atS >= leastRiseS(room, from.atS)) {
      const kind = thawAt(room, from.atS) ? 'defrost' : 'rising';
      rises.push(found(kind, readings, from.atS, untilS, { room, zoneC }));
    }
    from = null;
    highest = null;
  };
  for (const reading of readings) {
    if (reading.airC < switchC) {
      if (from) close(reading.atS);
      continue;
    }
    if (!from || !highest) {
      from = reading;
      highest = reading;
    } else if (reading.airC >= highest.airC) {
      highest = reading;
    } else if (highest.airC - reading.airC > FALLEN_C) {
      // It turned by itself, though it is warm still.
      close(reading.atS);
      from = reading;
      highest = reading;
    }
  }
  if (from) close(null);
  return rises;
}

const leastRiseS = (room: Room, fromS: number): number => {
  const thaw = thawAt(room, fromS);
  return 60 * (thaw ? (room.defrost?.minutes ?? 0) + THAW_GRACE_MIN : RISING_MIN);
};

/** Its timer may be this far off, s. */
const TIMER_OFF_S = 5 * 60;

/** Whether the coil thaws at a moment, or has just done so, or was about to. */
const thawAt = (room: Room, atS: number): boolean => thawOverS(room, atS) > atS;

/** When the thaw that goes on at a moment should be over in the air too, s since the epoch; before it when none does. */
function thawOverS({ defrost }: Room, atS: number): number {
  if (defrost?.phaseH === undefined) return -Infinity;
  const everyS = defrost.everyH * HOUR_S;
  const shiftedS = atS - defrost.phaseH * HOUR_S + TIMER_OFF_S;
  const sinceS = ((shiftedS % everyS) + everyS) % everyS;
  return atS - sinceS + TIMER_OFF_S + (defrost.minutes + THAW_GRACE_MIN) * 60;
}

function silences(
  readings: readonly ProbeReading[],
  { silentMin }: AlarmRules,
  nowS: number,
): AlarmFound[] {
  const quiet: AlarmFound[] = [];
  const say = (fromS: number, untilS: number | null) =>
    quiet.push({ kind: 'silent', fromS, untilS, worstC: null, meanC: null, roseCPerH: null });
  readings.forEach(({ atS }, i) => {
    const before = readings[i - 1];
    if (before && (atS - before.atS) / 60 > silentMin) say(before.atS, atS);
  });
  const last = readings.at(-1);
  if (last && (nowS - last.atS) / 60 > silentMin) say(last.atS, null);
  return quiet;
}

function found(
  kind: AlarmKind,
  readings: readonly ProbeReading[],
  fromS: number,
  untilS: number | null,
  where: Where,
): AlarmFound {
  const inIt = readings.filter(({ atS }) => atS >= fromS && atS <= (untilS ?? Infinity));
  const temps = inIt.map(({ airC }) => airC);
  return {
    kind,
    fromS,
    untilS,
    worstC: temps.length > 0 ? Math.max(...temps) : null,
    meanC: temps.length > 0 ? temps.reduce((sum, airC) => sum + airC, 0) / temps.length : null,
    roseCPerH: firstRise(readings, beganAt(readings, fromS, where), where),
  };
}

/** A probe's room and its place in it. */
interface Where {
  readonly room: Room | null;
  readonly zoneC: number;
}

/** Air this far above the thermostat's upper point is no longer what it holds, °C. */
const LEFT_BAND_C = 0.3;

/** When the air left what the thermostat holds, before the first sign of something wrong, s since the epoch. */
function beganAt(readings: readonly ProbeReading[], fromS: number, { room, zoneC }: Where): number {
  if (!room) return fromS;
  const bandC = room.setC + room.deadBandC + zoneC + LEFT_BAND_C;
  const before = readings.filter(({ atS }) => atS <= fromS);
  const held = before.findLast(({ airC }) => airC <= bandC);
  return held?.atS ?? fromS;
}

/**
 * How fast the air rose as it began, °C/h: the steepest quarter of an hour or so around that. A thaw that falls
 * into it says nothing.
 */
function firstRise(
  readings: readonly ProbeReading[],
  beganS: number,
  { room }: Where,
): number | null {
  const near = readings.filter(
    ({ atS }) => Math.abs(atS - beganS) <= FIRST_RISE_S && !(room && thawAt(room, atS)),
  );
  let steepest: number | null = null;
  for (let i = 0; i < near.length; i += 1) {
    for (let j = i + 1; j < near.length; j += 1) {
      const [a, b] = [near[i] as ProbeReading, near[j] as ProbeReading];
      const overS = b.atS - a.atS;
      if (overS < 8 * 60 || overS > 18 * 60) continue;
      const rise = ((b.airC - a.airC) * HOUR_S) / overS;
      if (steepest === null || rise > steepest) steepest = rise;
    }
  }
  return steepest;
}
