import type { Lot } from '@calm/contract';
import {
  alarmsIn,
  likelyCauses,
  STANDARD_ALARM_RULES,
  USUAL_ROOM,
  type AlarmFound,
  type Cause,
  type LikelyCause,
  HOUR_S,
} from '@calm/core';
import { places } from '../lanternYard';
import { noise } from '../noise';
import { readingsOf, trueAir } from '../probes';
import { probes } from './trueRooms';
import { POWER_CUT, AJAR, HEATWAVE, secondAt, trueHouse, natureOf } from '../cold';

/** Readings of one probe, in time's order. */
export interface ProbeHistory {
  readonly probe: (typeof probes)[number];
  readonly readings: readonly { readonly atS: number; readonly airC: number }[];
}

/** What loggers kept: every five minutes. */
const LOGGED_EVERY_S = 300;

const TRUE_STEP_MIN = 5;

/** A room needs some hours to be as its lots make it. */
const BEFORE_H = 12;

/** Some days of readings up to now, of every probe; what is still on its way is not there yet. */
export function makeReadings(lots: readonly Lot[], now: Date, days: number): ProbeHistory[] {
  const nowS = now.getTime() / 1000;
  const startS = Math.floor((nowS - days * 86_400) / 3600) * 3600 - BEFORE_H * HOUR_S;
  const hours = (nowS - startS) / HOUR_S;
  const airOf = trueAir(trueHouse(lots, now, startS, hours), startS, hours, TRUE_STEP_MIN);
  return probes.map((probe) => {
    const sent = readingsOf(
      natureOf(probe, LOGGED_EVERY_S),
      airOf(probe.place),
      startS + BEFORE_H * HOUR_S,
      nowS,
    ).filter(({ sentS, atS }) => sentS <= nowS && atS <= nowS);
    const byTime = new Map(sent.map(({ atS, airC }) => [atS, airC]));
    return {
      probe,
      readings: [...byTime].map(([atS, airC]) => ({ atS, airC })).sort((a, b) => a.atS - b.atS),
    };
  });
}

/** An alarm of the past, and how it was taken care of. */
export interface DemoAlarm {
  readonly probe: (typeof probes)[number];
  readonly found: AlarmFound;
  readonly causes: readonly LikelyCause[];
  readonly by: string;
  readonly cause: Cause;
  readonly note: string;
}

/** Everything that was wrong with the cold over some readings; all of it was taken care of. */
export function makeAlarms(history: readonly ProbeHistory[], now: Date): DemoAlarm[] {
  const nowS = Math.floor(now.getTime() / 1000);
  return history.flatMap(({ probe, readings }) => {
    const place = places.find(({ name }) => name === probe.place);
    const corrected = readings.map(({ atS, airC }) => ({ atS, airC: airC + probe.offsetC }));
    const zoneC = place?.zones.find(({ name }) => name === probe.zone)?.warmerC ?? 0;
    const room = place?.room ?? null;
    return alarmsIn(corrected, STANDARD_ALARM_RULES, { room, zoneC, nowS })
      .filter(({ kind, untilS }) => kind === 'above' && untilS !== null)
      .map((found) => {
        const [cause, by, note] = toldOf(found, now);
        return {
          probe,
          found,
          causes: likelyCauses(found, {
            room: room ?? USUAL_ROOM,
            outsideC: 22,
            othersToo: cause === 'power',
            warmKg: cause === 'warm-load' ? 40 : 0,
            allSilent: false,
          }),
          by,
          cause,
          note,
        };
      });
  });
}

function toldOf({ fromS, untilS }: AlarmFound, now: Date): [Cause, string, string] {
  const during = (daysAgo: number, minute: number, hours: number) => {
    const at = secondAt(now, daysAgo, minute);
    return fromS < at + hours * HOUR_S && (untilS ?? Infinity) > at;
  };
  if (during(POWER_CUT.daysAgo, POWER_CUT.fromMin - 30, POWER_CUT.hours + 4)) {
    return ['power', 'Wren', 'Kept shut, nothing taken out. What had gone slack went in the bin.'];
  }
  if (during(AJAR.daysAgo, AJAR.fromMin - 30, AJAR.hours + 3)) {
    return ['door', 'Bashir', 'Found ajar behind the trolley. Shut; trays by the door used first.'];
  }
  if (during(HEATWAVE.firstDaysAgo, 0, HEATWAVE.days * 24)) {
    return ['heat', 'Maro', 'Kitchen over 30 °C. Door kept shut, ice on the bottom rack.'];
  }
  return ['warm-load', 'Tilde', 'Came down by itself after loading.'];
}

/** A temperature that somebody took by hand. */
export interface DemoRound {
  readonly key: string;
  readonly at: Date;
  readonly by: string;
  readonly place: string;
  readonly zone: string;
  readonly airC: number;
}

/** Days of rounds by hand that are on record. */
const ROUND_DAYS = 7;

const ROUNDS = [
  { minute: 10 * 60 + 4, by: 'Bashir' },
  { minute: 16 * 60 + 7, by: 'Ossian' },
] as const;

/** The rounds by hand of the last days: near what the probes showed then. */
export function makeRounds(history: readonly ProbeHistory[], now: Date): DemoRound[] {
  return Array.from({ length: ROUND_DAYS }, (_, daysAgo) => daysAgo).flatMap((daysAgo) =>
    ROUNDS.flatMap(({ minute, by }) => {
      const atS = secondAt(now, daysAgo, minute);
      if (atS * 1000 > now.getTime()) return [];
      return history.flatMap(({ probe, readings }): DemoRound[] => {
        const read = readings.findLast((each) => each.atS <= atS);
        if (!read) return [];
        const key = `round/${probe.key}/${atS}`;
        const airC = Math.round((read.airC - probe.errorC + 0.3 * noise(key)) * 10) / 10;
        const at = new Date(atS * 1000);
        return [{ key, at, by, place: probe.place, zone: probe.zone, airC }];
      });
    }),
  );
}
