import { costsOfDecisions, playedEvening, playsOf, type Decision } from './decisions';
import { keyOfTray, MOMENT_MIN, type DoughPlay, type Evening } from './evening';
import { bestInHindsight } from './hindsight';
import { byPlainRule } from './plainRule';
import {
  scoreEvening,
  totalCost,
  weighedCost,
  type EveningCost,
  type ServedQuarter,
} from './scoreEvening';
import { opensOf, type OpensBetween } from './eveningSoFar';

/** Trays that are alike and went one way: when they were taken to open, and when they did. */
export interface TraysTold {
  readonly trays: number;
  readonly nights: number;
  /** Minute at which they came out; null of what stayed in the cold. */
  readonly outMin: number | null;
  readonly believed: OpensBetween | null;
  readonly really: OpensBetween | null;
}

/** One dough after the evening. */
export interface DoughTold {
  /** Guests of each quarter of an hour, as expected and as they came. */
  readonly expected: readonly number[];
  readonly came: readonly number[];
  readonly quarters: readonly ServedQuarter[];
  readonly trays: readonly TraysTold[];
  /** What the best in hindsight did with it. */
  readonly best: readonly TraysTold[];
}

/** What an evening came to, beside what it could have. */
export interface Debrief {
  readonly cost: EveningCost;
  readonly best: EveningCost;
  readonly plain: EveningCost;
  readonly guests: number;
  /** 0–1: what it cost beyond the best, against sending everybody away. */
  readonly score: number;
  readonly doughs: readonly DoughTold[];
  /** What each decision came to; less than nothing is what it saved. */
  readonly decisions: readonly EveningCost[];
}

/**
 * How well an evening went: 1 as well as could be, 0 where it cost as much beyond that as sending everybody away.
 *
 * @example
 * eveningScore(14, 4, 100) // 0.9
 */
export const eveningScore = (cost: number, best: number, guests: number): number =>
  Math.min(1, Math.max(0, 1 - (cost - best) / Math.max(1, guests)));

/**
 * An evening told afterwards.
 *
 * @param believed as it was taken to be
 * @param onProgress is told how much of it is done, 0–1
 */
export function debriefOf(
  evening: Evening,
  believed: Evening,
  decisions: readonly Decision[],
  onProgress?: (share: number) => void,
): Debrief {
  const plays = playsOf(evening, decisions);
  const played = playedEvening(evening, decisions);
  const plainPlays = byPlainRule(evening);
  const best = bestInHindsight(evening, [plays, plainPlays], onProgress);
  const bestCost = totalCost(best.doughs.map(({ cost }) => cost));
  const plain = totalCost(scoreEvening(evening, plainPlays).map(({ cost }) => cost));
  const guests = evening.doughs
    .flatMap(({ perQuarter }) => perQuarter)
    .reduce((sum, each) => sum + each, 0);
  return {
    cost: played.cost,
    best: bestCost,
    plain,
    guests,
    score: eveningScore(weighedCost(played.cost), weighedCost(bestCost), guests),
    doughs: evening.doughs.map((dough, i): DoughTold => ({
      expected: believed.doughs[i]?.perQuarter ?? [],
      came: dough.perQuarter,
      quarters: played.doughs[i]?.quarters ?? [],
      trays: traysTold(evening, believed, i, plays[i]),
      best: traysTold(evening, believed, i, best.plays[i]),
    })),
    decisions: costsOfDecisions(evening, decisions),
  };
}

function traysTold(
  evening: Evening,
  believed: Evening,
  at: number,
  play: DoughPlay | undefined,
): TraysTold[] {
  const [dough, taken] = [evening.doughs[at], believed.doughs[at]];
  if (!dough || !taken || !play) return [];
  const keys = play.trays.map((way, i) => keyOfTray(dough.trays, i, way));
  return [...new Set(keys)]
    .flatMap((key): TraysTold[] => {
      const i = keys.indexOf(key);
      const [way, really, asTaken] = [play.trays[i], dough.trays[i], taken.trays[i]];
      if (!way || !really || !asTaken) return [];
      const pulled = way.find(({ act }) => act === 'pull');
      return [
        {
          trays: keys.filter((each) => each === key).length,
          nights: really.nights,
          outMin: pulled ? pulled.moment * MOMENT_MIN : null,
          believed: opensOf(believed, taken, asTaken, way),
          really: opensOf(evening, dough, really, way),
        },
      ];
    })
    .sort((a, b) => (a.outMin ?? Infinity) - (b.outMin ?? Infinity));
}
