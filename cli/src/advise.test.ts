import { describe, expect, it } from '@jest/globals';
import { calm } from './test-support/calm';

const dough = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.4,
    yeast: { form: 'fresh', percent: 1 },
  },
  ballWeightG: 275,
  doughTempC: 26,
  stages: [{ kind: 'ball', hours: 8, airTempC: 26, container: 'lidded-tray' }],
};
const walkIn = { name: 'walk-in', airTempC: 4, container: 'lidded-tray' };
const waiting = {
  ...dough,
  nowHour: 1.5,
  services: [{ startHour: 9, endHour: 12, balls: 60 }],
  places: [walkIn],
};

interface Advised {
  readonly choices: readonly {
    readonly do: string;
    readonly where: string | null;
    readonly balls: number;
    readonly odds: number;
    readonly window: { readonly earliestHour: number; readonly odds: number } | null;
    readonly stages: readonly object[] | null;
    readonly why: string;
  }[];
}

describe('calm advise', () => {
  it('says what can still be done, the best first, and why', () => {
    const { code, out } = calm('advise', waiting);
    expect(code).toBe(0);
    const { choices } = out as unknown as Advised;
    const helping = choices.filter(({ stages }) => stages !== null);
    expect(helping[0]).toMatchObject({ where: 'walk-in' });
    expect(helping.at(-1)).toMatchObject({
      do: 'keep',
      why: 'As planned it is past its best before the service is over.',
    });
    expect(choices.at(-1)?.do).toBe('discard');
  });

  it('offers ways that calm simulate finds as they are told', () => {
    const { choices } = calm('advise', waiting).out as unknown as Advised;
    for (const { stages, window } of choices) {
      if (!stages || !window) continue;
      const { out } = calm('simulate', { ...dough, stages });
      const simulated = (out as { window: { earliestHour: number; odds: number } }).window;
      expect(simulated.earliestHour).toBeCloseTo(window.earliestHour, 0);
      expect(simulated.odds).toBeCloseTo(window.odds, 1);
    }
  });

  it('takes what is seen of the dough', () => {
    const slow = { ...waiting, nowHour: 2, services: [{ startHour: 3.5, endHour: 5, balls: 60 }] };
    const best = (problem: string) =>
      (calm('advise', { ...slow, problem }).out as unknown as Advised).choices[0];
    expect(best('behind')?.odds).not.toBeCloseTo(best('over-proofed')?.odds ?? 0, 1);
  });

  it('with what is seen told, gives the numbers that simulate its choices as it says', () => {
    const told = calm('advise', { ...waiting, problem: 'ahead' }).out as unknown as Advised & {
      constants: { name: string; factor: number }[];
    };
    expect(told.constants).toEqual([
      { name: 'yeast-activity', factor: expect.any(Number) as unknown as number },
    ]);
    expect(told.constants[0]?.factor).toBeGreaterThan(1);
    const choice = told.choices.find(({ do: action, window }) => action === 'keep' && window);
    const { constants } = told;
    const { out } = calm('simulate', { ...dough, stages: choice?.stages, constants });
    const simulated = (out as { window: { earliestHour: number } | null }).window;
    expect(simulated?.earliestHour).toBeCloseTo(choice?.window?.earliestHour ?? NaN, 0);
  });

  it('says what is wrong with what it cannot take', () => {
    for (const wrong of [
      { services: [{ startHour: 9, endHour: 8, balls: 60 }] },
      { services: [{ startHour: 9, endHour: 12, balls: -5 }] },
      { nowHour: -1 },
      { places: [walkIn, walkIn] },
      { problem: 'sad' },
    ]) {
      const { code, err } = calm('advise', { ...waiting, ...wrong });
      expect(code).toBe(2);
      expect(JSON.stringify(err)).toContain(Object.keys(wrong)[0] ?? '');
    }
  });
});

describe('calm equivalent', () => {
  it('tells the minutes that come to the same', () => {
    const { code, out } = calm('equivalent', { ...dough, stage: 0, tempsC: [20, 26, 30] });
    expect(code).toBe(0);
    const [cold = 0, same = 0, warm = 0] = (out as { minutes: number[] }).minutes;
    expect(same).toBeCloseTo(480, -1);
    expect(cold).toBeGreaterThan(600);
    expect(warm).toBeLessThan(420);
  });

  it('knows which stages there are', () => {
    const { code, err } = calm('equivalent', { ...dough, stage: 4, tempsC: [20] });
    expect(code).toBe(2);
    expect(JSON.stringify(err)).toContain('There is no stage 4');
  });
});
