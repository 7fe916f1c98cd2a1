import { describe, expect, it } from '@jest/globals';
import type { DoughStage } from '../ferment';
import { ball } from '../test-support/doughs';
import { ballsOn, WAITING } from '../test-support/waitingDoughs';
import { advise, type AdviceQuestion, type Choice } from './advise';
import { asSeen } from './asSeen';
import { STANDARD_TARGET } from '../ferment';

const known = new Map<AdviceQuestion, readonly Choice[]>();
const asked = (question: AdviceQuestion): readonly Choice[] => {
  const told = known.get(question);
  if (told) return told;
  const choices = advise(question);
  if (!choices.ok) throw new Error(JSON.stringify(choices.reasons));
  known.set(question, choices.value);
  return choices.value;
};
/** Dough as it is seen, so that what is tried is tried on the same. */
const seen = (question: AdviceQuestion): AdviceQuestion => {
  const { route, nowHour, trouble, target = STANDARD_TARGET } = question;
  return trouble ? { ...question, route: asSeen(route, nowHour, trouble, target) } : question;
};
const wantedOf = ({ services }: AdviceQuestion) =>
  services.reduce((sum, { balls }) => sum + balls, 0);

/** Everything that two moves can do, hour by hour: out of a place, into another, balled again or not, and then open air. */
function mostByTrying(question: AdviceQuestion): number {
  const { route, nowHour, places, services } = question;
  const past: DoughStage[] = [];
  let gone = 0;
  for (const stage of route.stages) {
    const hours = Math.min(stage.hours, nowHour - gone);
    if (hours > 0) past.push({ ...stage, hours });
    gone += Math.max(0, hours);
  }
  const end = Math.max(...services.map(({ endHour }) => endHour));
  const airs = [...places, { ...places[0], airTempC: past.at(-1)?.airTempC ?? 22 }];
  let most = 0;
  for (const from of airs) {
    for (const shaping of [undefined, 'ball'] as const) {
      for (let h = 0; nowHour + h <= end; h += Math.max(1, (end - nowHour) / 8)) {
        for (const to of airs.filter(({ airTempC }) => airTempC > 10)) {
          const first = { ...ball(h, from.airTempC), ...(shaping && { shaping }) };
          const last = ball(Math.max(0, end + 1 - nowHour - h), to.airTempC);
          most = Math.max(most, ballsOn(question, [...past, first, last]));
        }
      }
    }
  }
  return most;
}

describe('what now', () => {
  it.each(WAITING.map((question) => [question.name, question] as const))(
    '%s: the best that two moves can do is among the first two offered',
    (_name, question) => {
      const [first, second] = asked(question);
      const best = Math.max(first?.balls ?? 0, second?.balls ?? 0);
      const most = mostByTrying(seen(question));
      expect(best).toBeGreaterThan(most - 0.04 * wantedOf(question) - 0.5);
    },
  );

  it('offers nothing that comes to something else than it says', () => {
    for (const question of WAITING) {
      for (const { do: action, stages, balls } of asked(question)) {
        if (!stages || action === 'use-first' || action === 'flatter') continue;
        expect([question.name, action, ballsOn(seen(question), stages)]).toEqual([
          question.name,
          action,
          expect.closeTo(balls, -0.5) as unknown as number,
        ]);
      }
    }
  });

  it('keeps what is well as it is, and says so', () => {
    const [first, ...others] = asked(WAITING[0] as AdviceQuestion);
    expect(first).toMatchObject({ do: 'keep', why: 'opens-well' });
    expect(others.map((each) => each.do)).not.toContain('discard');
  });

  it('gives dough up that nothing helps: old dough first, the bin last', () => {
    const lost = { ...(WAITING[1] as AdviceQuestion), nowHour: 60, services: [] };
    const told = asked({ ...lost, services: [{ startHour: 60, endHour: 61, balls: 20 }] });
    const given = told.map((each) => each.do);
    expect(given).toContain('discard');
    expect(told[0]?.balls).toBeLessThan(3);
  });
});

describe('advice nobody can give', () => {
  const question = WAITING[1] as AdviceQuestion;

  it('is none for dough that no kitchen has', () => {
    const route = { ...question.route, doughTempC: 300 };
    expect(advise({ ...question, route }).ok).toBe(false);
  });

  it('is to go on as it is where there is nowhere else', () => {
    const told = asked({ ...question, places: [] });
    expect(told.filter(({ where }) => where !== null)).toEqual([]);
    expect(told.some((each) => each.do === 'keep')).toBe(true);
  });

  it('wants nothing of a service that is over', () => {
    const told = asked({ ...question, services: [{ startHour: 0, endHour: 1, balls: 5000 }] });
    expect(told.every(({ balls }) => balls === 0)).toBe(true);
  });
});
