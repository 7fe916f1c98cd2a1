import type { HouseBook, Situation } from '@calm/contract';
import {
  eveningScore,
  MOMENT_MIN,
  momentsOf,
  playOfWays,
  scoreEvening,
  totalCost,
  weighedCost,
  type DoughPlay,
  type Evening,
  type Random,
} from '@calm/core';
import { practiceEvening } from '../practiceEvening';
import { USUAL_EVENING } from '../usualEvening';
import type { ChoiceOption, ChoiceQuestion } from './question';
import { shuffled } from './shuffled';

const DOORS_MIN = 150;
const SERVICE_MIN = 210;
const BALLS_PER_GUEST = 1.2;
/** The bench is so much warmer at most, or so much cooler, °C. */
const OFF_C = 8;
const TRAYS = { least: 3, most: 6 } as const;

/** Plans that are offered: when trays come out, moment by moment. */
const PLANS = {
  'all-first': (trays: number) => Array.from({ length: trays }, () => 0),
  'all-doors': (trays: number) =>
    Array.from({ length: trays }, () => Math.round((DOORS_MIN - 60) / MOMENT_MIN)),
  'one-by-one': (trays: number) => Array.from({ length: trays }, (_, i) => 1 + 2 * i),
  halves: (trays: number) => Array.from({ length: trays }, (_, i) => (i < trays / 2 ? 1 : 6)),
} as const;
type Plan = keyof typeof PLANS;

/** Which plan of trays is best for an evening on a bench that is warmer or cooler than usual. */
export function traysQuestion(book: HouseBook, random: Random): ChoiceQuestion | null {
  const trays = Math.round(TRAYS.least + (TRAYS.most - TRAYS.least) * random.uniform());
  const benchBy = Math.round(OFF_C * (2 * random.uniform() - 1));
  const evening = practiceEvening(book, situationWith(trays, benchBy));
  const [product] = evening?.products ?? [];
  if (!evening || !product) return null;
  const { really } = evening;
  const guests = (really.doughs[0]?.perQuarter ?? []).reduce((sum, each) => sum + each, 0);
  const costs = (Object.keys(PLANS) as Plan[]).map((plan) => ({
    plan,
    cost: costOf(really, playOf(PLANS[plan](trays), momentsOf(really))),
  }));
  const best = Math.min(...costs.map(({ cost }) => cost));
  const options = costs.map(({ plan, cost }): ChoiceOption => ({
    key: `trays.${plan}`,
    worth: cost <= best ? 1 : eveningScore(cost, best, guests / 2),
  }));
  return {
    kind: 'choice',
    skill: 'trays',
    about: 'trays.about',
    told: {
      names: { product: product.name },
      tempsC: { bench: really.bench.airTempC, cold: really.cold.airTempC },
      counts: { trays, guests },
    },
    options: shuffled(options, random),
  };
}

const situationWith = (trays: number, benchBy: number): Situation => ({
  ...USUAL_EVENING,
  name: 'trays',
  doorsInMin: DOORS_MIN,
  serviceMin: SERVICE_MIN,
  trays: [trays],
  ballsPerGuest: BALLS_PER_GUEST,
  benchBy,
});

const playOf = (pulls: readonly number[], moments: number): DoughPlay =>
  playOfWays(pulls.map((moment) => (moment < moments ? [{ act: 'pull' as const, moment }] : [])));

const costOf = (evening: Evening, play: DoughPlay): number =>
  weighedCost(totalCost(scoreEvening(evening, [play]).map(({ cost }) => cost)));
