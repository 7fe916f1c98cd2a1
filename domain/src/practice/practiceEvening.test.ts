import type { Situation } from '@calm/contract';
import { situationSchema } from '@calm/contract/schemas';
import {
  bestInHindsight,
  byPlainRule,
  scoreEvening,
  totalCost,
  weighedCost,
  type DoughPlay,
} from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { practiceEvening, type PracticeEvening } from './practiceEvening';

const situations = JSON.parse(
  readFileSync(new URL('./situations.json', import.meta.url), 'utf8'),
) as Situation[];
const book = exampleBook();

const eveningOf = (situation: Situation): PracticeEvening => {
  const evening = practiceEvening(book, situation);
  if (!evening) throw new Error('the demo has doughs');
  return evening;
};
const costOf = ({ really }: PracticeEvening, plays: readonly DoughPlay[]) =>
  weighedCost(totalCost(scoreEvening(really, plays).map(({ cost }) => cost)));

describe('the library of evenings', () => {
  it('keeps to its schema, each name once, shares summing to 1', () => {
    for (const each of situations) {
      expect(situationSchema.validate(each).error).toBeUndefined();
      expect(each.olderH).toHaveLength(each.trays.length);
      const shares = each.shares ?? [1];
      expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6);
    }
    expect(new Set(situations.map(({ name }) => name)).size).toBe(situations.length);
  });

  it.each(situations)(
    '$name can be lived through on the demo’s doughs, and a plain rule is not enough',
    (situation) => {
      const evening = eveningOf(situation);
      expect(evening.products).toHaveLength(situation.trays.length);
      const best = bestInHindsight(evening.really);
      const plain = costOf(evening, byPlainRule(evening.really));
      const guests = evening.really.doughs
        .flatMap(({ perQuarter }) => perQuarter)
        .reduce((sum, each) => sum + each, 0);
      const cost = costOf(evening, best.plays);
      process.stdout.write(
        `${situation.name}: best ${cost.toFixed(1)}, plain rule ${plain.toFixed(1)}, of ${guests.toFixed(0)} guests\n`,
      );
      expect(cost).toBeLessThan(plain);
      // What nobody could do anything about would teach nothing.
      expect(cost).toBeLessThan(guests / 2);
    },
    30_000,
  );
});

describe('an evening to be practised', () => {
  const [first] = situations;
  if (!first) throw new Error('there are situations');
  const usual: Situation = { ...first, benchBy: 0, yeast: 1, hands: 1 };

  it('is as it is taken to be where nothing is otherwise', () => {
    const { really, believed } = eveningOf(usual);
    expect(JSON.parse(JSON.stringify(really))).toEqual(JSON.parse(JSON.stringify(believed)));
  });

  it('hides what is otherwise: only the display tells, and what it tells', () => {
    const lying = { ...usual, coldBy: 5, coldSinceH: 12, coldShownBy: 0 };
    const { really, believed, coldShownC } = eveningOf(lying);
    expect(really.cold.airTempC).toBe(believed.cold.airTempC + 5);
    expect(coldShownC).toBe(believed.cold.airTempC);
    const hoursOf = ({ doughs: [dough] }: typeof really) =>
      dough?.route.stages.reduce((sum, { hours }) => sum + hours, 0);
    expect(hoursOf(really)).toBeCloseTo(hoursOf(believed) ?? 0, 9);
  });

  it('is none where no balls are opened', () => {
    expect(practiceEvening({ ...book, products: [] }, usual)).toBeNull();
  });
});
