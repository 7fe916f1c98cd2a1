import type { PracticeResult, ReadinessRule } from '@calm/contract';
import { DAY_MS, MINUTE_MS, type PlannedLot, type PlannedStep } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { practiceSkills } from './practiceSkills';
import { notReady, unmetNeeds } from './readiness';

const NOW = Date.parse('2026-11-25T05:00:00Z');
const nowMin = NOW / MINUTE_MS;

const result = (personId: string, daysAgo: number, scores: readonly number[]): PracticeResult => ({
  id: `${personId}-${daysAgo}`,
  personId,
  at: new Date(NOW - daysAgo * DAY_MS).toISOString(),
  receivedAt: null,
  content: { kind: 'drill', skill: 'water', scores },
});
const evening = (personId: string, score: number): PracticeResult => ({
  ...result(personId, 1, [1]),
  id: `${personId}-evening`,
  content: { kind: 'evening', situation: 'heatwave', score, cost: 9, best: 2, plain: 20 },
});

const dateAt = (ms: number) => new Date(ms).toISOString().slice(0, 10);

describe('what people can do by what they practised', () => {
  it('is told by skill: how often, how well of the last, how steady, how long ago', () => {
    const skills = practiceSkills([
      result('ada', 3, [0, 0, 0, 0, 0, 0]),
      result(
        'ada',
        1,
        Array.from({ length: 12 }, (_, i) => (i % 2 ? 0.8 : 1)),
      ),
      evening('ada', 0.75),
      result('bo', 9, [0.5]),
    ]);
    expect(skills.map(({ personId, skill, count }) => [personId, skill, count])).toEqual([
      ['ada', 'evening', 1],
      ['ada', 'water', 18],
      ['bo', 'water', 1],
    ]);
    expect(skills[1]?.mean).toBeCloseTo(0.9, 9);
    expect(skills[1]?.spread).toBeCloseTo(0.1, 9);
  });
});

const need = { skill: 'water', leastScore: 80, times: 2, withinDays: 30 } as const;

describe('what a house asks before somebody is planned alone', () => {
  it('is met by enough, well enough, lately enough', () => {
    const unmet = (daysAgo: number, scores: readonly number[]) =>
      unmetNeeds([need], practiceSkills([result('ada', daysAgo, scores)]), 'ada', NOW).length;
    expect(unmet(2, [0.9, 0.9])).toBe(0);
    expect(unmet(2, [0.9])).toBe(1);
    expect(unmet(2, [0.9, 0.6])).toBe(1);
    expect(unmet(31, [0.9, 0.9])).toBe(1);
    expect(unmetNeeds([need], [], 'bo', NOW)).toEqual([need]);
  });

  const step = (
    key: PlannedStep['key'],
    atH: number,
    personIds: readonly string[],
  ): PlannedStep => ({
    stage: 0,
    key,
    skill: 'mix',
    personIds,
    mixerId: null,
    serviceId: null,
    startMin: nowMin + 60 * atH,
    endMin: nowMin + 60 * atH + 30,
  });
  const lotOf = (doughKg: number, steps: readonly PlannedStep[]): PlannedLot =>
    ({ id: `lot-${doughKg}`, doughKg, loads: 1, steps, rests: [] }) as unknown as PlannedLot;
  const rule = (work: ReadinessRule['work'], fromKg = 0): ReadinessRule => ({
    work,
    fromKg,
    needs: [need],
  });
  const lots = [
    lotOf(10, [step('mix', 1, ['ada']), step('divide-ball', 3, ['ada', 'bo'])]),
    lotOf(30, [step('mix', 4, ['bo']), step('pull', 5, ['bo']), step('pull', -3, ['bo'])]),
  ];
  const works = (rules: readonly ReadinessRule[], results: readonly PracticeResult[] = []) =>
    notReady(lots, rules, practiceSkills(results), nowMin, dateAt).map(
      ({ personId, lot, step: { key }, work }) => [personId, lot.id, key, work].join(' '),
    );

  it('warns of large loads, of pulls, and of who opens', () => {
    expect(works([rule('large-loads', 20)])).toEqual(['bo lot-30 mix large-loads']);
    expect(works([rule('pulls')])).toEqual(['bo lot-30 pull pulls']);
    expect(works([rule('divides')])).toEqual([]);
    const [early] = works([rule('opens')], [result('ada', 1, [1, 1])]);
    expect(early).toBeUndefined();
  });

  it('says nothing of who is ready, nor where nothing is asked', () => {
    expect(works([rule('large-loads', 20)], [result('bo', 1, [1, 1])])).toEqual([]);
    expect(works([])).toEqual([]);
  });
});
