import { describe, expect, it } from '@jest/globals';
import { randomOf, settledRandomOf, type Random } from '../../numerics';
import { alikeTrays } from '../../test-support/practisedEvening';
import { STANDARD_TARGET, type DoughRoute } from '../../ferment';
import {
  actsAt,
  momentsOf,
  playOfWays,
  WATERS,
  type DoughPlay,
  type Evening,
  type EveningTray,
  type TrayStep,
  type TrayWay,
} from './evening';
import { bestInHindsight } from './hindsight';
import { byPlainRule } from './plainRule';
import { quickTrays } from './quickDough';
import { scoreEvening, serve, stopMinOf, totalCost, weighedCost } from './scoreEvening';
import { trayCourse, type TrayCourse } from './trayCourse';

const SITUATIONS = 20;
const PLAYERS = 1000;
const DOORS_MIN = 120;
/** Quarters of an hour that it is served. */
const QUARTERS = 14;

/** A dough that has stood in the cold since the day before; yeast, rooms, flour and guests are not as they are taken to be. */
function situationOf(seed: number): Evening {
  const random = settledRandomOf(seed * 7919);
  const between = (least: number, most: number) => least + (most - least) * random.uniform();
  const coldC = between(2, 9);
  const route = (ballWeightG: number, cold: number): DoughRoute => ({
    formula: {
      flours: [{ name: 'strong white', percent: 100, strengthW: between(240, 330) }],
      waterPercent: 62,
      saltPercent: 2.6,
      yeast: { form: 'fresh', percent: between(0.35, 0.55) },
    },
    ballWeightG,
    doughTempC: between(22, 26),
    yeastActivity: between(0.75, 1.3),
    stages: [
      { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 20 },
      { kind: 'ball', hours: cold, airTempC: coldC, container: 'lidded-tray' },
    ],
  });
  const crowd = between(0.45, 0.85);
  const evening = (balls: number) =>
    Array.from(
      { length: QUARTERS },
      (_, i) => (balls / QUARTERS) * crowd * (1 + 0.8 * Math.sin(i / 4)),
    );
  const [round, crackle] = [route(275, between(14, 26)), route(180, between(14, 26))];
  // On some evenings a tray is left over from the day before.
  const dayOld = ({ stages, ...rest }: DoughRoute): DoughRoute => ({
    ...rest,
    stages: stages.map((stage, i) => (i === 0 ? stage : { ...stage, hours: stage.hours + 24 })),
  });
  const kept: EveningTray[] = seed % 3 === 0 ? [{ route: dayOld(round), balls: 9, nights: 1 }] : [];
  return {
    doorsMin: DOORS_MIN,
    hands: seed % 4 === 0 ? 2 : 1,
    hasMixer: seed % 5 !== 0,
    cold: { name: 'Walk-in', airTempC: coldC, container: 'lidded-tray' },
    bench: { name: 'Bench', airTempC: between(17, 32), container: 'lidded-tray' },
    doughs: [
      {
        route: round,
        target: STANDARD_TARGET,
        trays: [...alikeTrays({ route: round, balls: 12, nights: 0 }, 6), ...kept],
        ballsPerTray: 12,
        perQuarter: evening(72),
      },
      {
        route: crackle,
        target: STANDARD_TARGET,
        trays: alikeTrays({ route: crackle, balls: 15, nights: 0 }, 2),
        ballsPerTray: 15,
        perQuarter: evening(30),
      },
    ],
  };
}

/** Now and then stops selling, or mixes dough beside. */
function decidedBy(random: Random, moments: number, trays: readonly TrayWay[]): DoughPlay {
  const some = () => Math.floor(random.uniform() * moments);
  const water = WATERS[Math.floor(random.uniform() * WATERS.length)] ?? 'usual';
  return {
    trays,
    stop: random.uniform() < 0.2 ? some() : null,
    quick: random.uniform() < 0.2 ? { moment: some(), water } : null,
  };
}

/** Tries something with each tray now and then. */
function byChance({ doughs }: Evening, moments: number, random: Random): DoughPlay[] {
  const bold = 0.02 + 0.4 * random.uniform();
  const ways = doughs.map(({ trays }) =>
    trays.map(() => {
      const way: TrayStep[] = [];
      for (let moment = 0; moment < moments; moment += 1) {
        const acts = actsAt(way, moment);
        const act = acts[Math.floor(random.uniform() * acts.length)];
        if (act && random.uniform() < bold) way.push({ act, moment });
      }
      return way;
    }),
  );
  return ways.map((trays) => decidedBy(random, moments, trays));
}

/** Pulls in waves by a rule of its own, and puts back what is left before closing. */
function bySomeRule({ doughs }: Evening, moments: number, random: Random): DoughPlay[] {
  const first = Math.floor(random.uniform() * 6);
  const apart = Math.floor(random.uniform() * 5);
  const wave = 1 + Math.floor(random.uniform() * 3);
  const spare = Math.floor(random.uniform() * 3);
  const back = random.uniform() < 0.4 ? moments - 1 - Math.floor(random.uniform() * 4) : null;
  const ways = doughs.map(({ trays }) =>
    trays.map((_, i): TrayWay => {
      const moment = first + apart * Math.floor(i / wave);
      if (moment >= moments || i >= trays.length - spare) return [];
      const pulled: TrayWay = [{ act: 'pull', moment }];
      return back !== null && back > moment ? [...pulled, { act: 'chill', moment: back }] : pulled;
    }),
  );
  return ways.map((trays) =>
    random.uniform() < 0.5 ? playOfWays(trays) : decidedBy(random, moments, trays),
  );
}

describe('the best in hindsight', () => {
  const table: string[] = [];
  it.each(Array.from({ length: SITUATIONS }, (_, i) => i + 1))(
    'of situation %i is beaten by none of a thousand players, and beats the plain rule',
    (seed) => {
      const evening = situationOf(seed);
      const moments = momentsOf(evening);
      const known = evening.doughs.map(() => new Map<string, TrayCourse>());
      const courseOf = (i: number, tray: EveningTray, way: TrayWay): TrayCourse => {
        const dough = evening.doughs[i];
        const key = JSON.stringify([tray.nights, way]);
        const course = known[i]?.get(key) ?? (dough && trayCourse(evening, dough, tray, way));
        if (!course) throw new Error('no dough');
        known[i]?.set(key, course);
        return course;
      };
      const quickKnown = new Map<string, TrayCourse[]>();
      const besideOf = (i: number, { quick }: DoughPlay): TrayCourse[] => {
        const dough = evening.doughs[i];
        if (!quick || !dough) return [];
        const key = `${i} ${quick.moment} ${quick.water}`;
        const trays = quickKnown.get(key) ?? quickTrays(evening, dough, quick);
        quickKnown.set(key, trays);
        return trays;
      };
      const costFor = (plays: readonly DoughPlay[]) =>
        weighedCost(
          totalCost(
            evening.doughs.map((dough, i) => {
              const play = plays[i] ?? playOfWays([]);
              const own = dough.trays.map((tray, j) => courseOf(i, tray, play.trays[j] ?? []));
              const trays = [...own, ...besideOf(i, play)];
              return serve(dough, evening.doorsMin, trays, stopMinOf(play.stop)).cost;
            }),
          ),
        );
      const best = bestInHindsight(evening);
      const bestCost = costFor(best.plays);
      const told = scoreEvening(evening, best.plays).map(({ cost }) => cost);
      expect(bestCost).toBeCloseTo(weighedCost(totalCost(told)), 9);
      const random = randomOf(seed);
      const players = Array.from({ length: PLAYERS }, (_, i) =>
        costFor((i % 2 === 0 ? byChance : bySomeRule)(evening, moments, random)),
      );
      const plain = costFor(byPlainRule(evening));
      expect(Math.min(...players)).toBeGreaterThanOrEqual(bestCost - 1e-9);
      expect(plain).toBeGreaterThan(bestCost);
      table.push(
        `${seed}: best ${bestCost.toFixed(1)}, of 1,000 players ${Math.min(...players).toFixed(1)}, plain rule ${plain.toFixed(1)}`,
      );
    },
    60_000,
  );

  it('is printed', () => {
    expect(table).toHaveLength(SITUATIONS);
    process.stdout.write(`${table.join('\n')}\n`);
  });
});
