import type { PracticeWeek } from '@calm/contract';
import { practiceWeekSchema } from '@calm/contract/schemas';
import { byPlainRule, hoursOf, scoreEvening, totalCost, type EveningTray } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import library from './weeks.json' with { type: 'json' };
import { eveningsAhead, nextEveningOf, type WeekSoFar } from './practiceWeek';

const book = exampleBook();
const weeks: readonly PracticeWeek[] = library;
const [week] = weeks;
if (!week) throw new Error('there are weeks');

const nextOf = (soFar: WeekSoFar) => {
  const next = nextEveningOf(book, week, soFar);
  if (!next) throw new Error('the demo has doughs');
  return next;
};
const traysOf = (soFar: WeekSoFar): readonly EveningTray[] =>
  nextOf(soFar).really.doughs[0]?.trays ?? [];
const keptOf = (soFar: WeekSoFar) => traysOf(soFar).filter(({ nights }) => nights > 0);

describe('the library of weeks', () => {
  it('keeps to its schema, each name once', () => {
    for (const each of weeks) expect(practiceWeekSchema.validate(each).error).toBeUndefined();
    expect(new Set(weeks.map(({ name }) => name)).size).toBe(weeks.length);
  });

  it.each(weeks)('$name can be run to its end on the demo’s doughs', (each) => {
    for (let done = 0; done < each.evenings.length; done += 1) {
      const soFar = { decisions: Array.from({ length: done }, () => []), made: [] };
      const evening = nextEveningOf(book, each, soFar);
      expect(evening?.products).toHaveLength(each.evenings[done]?.trays.length ?? 0);
      const cost =
        evening &&
        totalCost(
          scoreEvening(evening.really, byPlainRule(evening.really)).map((dough) => dough.cost),
        );
      expect(cost?.short).toBeGreaterThanOrEqual(0);
    }
    const over = { decisions: each.evenings.map(() => []), made: [] };
    expect(nextEveningOf(book, each, over)).toBeNull();
  });
});

describe('a week that is run', () => {
  const planned = week.evenings[1]?.trays[0] ?? 0;

  it('begins with what was planned, and nothing left over', () => {
    const trays = traysOf({ decisions: [], made: [] });
    expect(trays).toHaveLength(week.evenings[0]?.trays[0] ?? 0);
    expect(keptOf({ decisions: [], made: [] })).toEqual([]);
  });

  it('has what stayed in the cold the next evening, a day older, beside what was made', () => {
    const soFar = { decisions: [[]], made: [] };
    const kept = keptOf(soFar);
    expect(kept.length).toBeGreaterThan(0);
    expect(traysOf(soFar)).toHaveLength(planned + kept.length);
    const fresh = nextOf({ decisions: [], made: [] }).really.doughs[0];
    for (const { route, nights } of kept) {
      expect(nights).toBe(1);
      expect(hoursOf(route)).toBeCloseTo((fresh ? hoursOf(fresh.route) : NaN) + 24, 6);
    }
  });

  it('has as many trays as were made, and as many guests as come anyway', () => {
    const [few, many] = [0, 9].map((count) => ({ decisions: [[]], made: [[], [count, null]] }));
    if (!few || !many) throw new Error('two');
    expect(traysOf(many).length - traysOf(few).length).toBe(9);
    expect(nextOf(few).really.doughs[0]?.perQuarter).toEqual(
      nextOf(many).really.doughs[0]?.perQuarter,
    );
    expect(nextOf(few).really.doughs[1]?.trays.filter(({ nights }) => nights === 0)).toHaveLength(
      week.evenings[1]?.trays[1] ?? 0,
    );
  });

  it('has dough made as many evenings ahead as its own hours ask for', () => {
    const evening = nextOf({ decisions: [], made: [] });
    for (const [i, ahead] of eveningsAhead(evening).entries()) {
      const dough = evening.believed.doughs[i];
      const hours = dough ? hoursOf(dough.route) : NaN;
      expect(ahead).toBeGreaterThanOrEqual(1);
      expect(24 * ahead + 8).toBeGreaterThanOrEqual(hours);
    }
  });
});
