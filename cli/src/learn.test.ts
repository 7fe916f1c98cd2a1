import { describe, expect, it } from '@jest/globals';
import { calm } from './test-support/calm';

const dough = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.6,
    yeast: { form: 'fresh', percent: 0.1 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 12, airTempC: 20, container: 'tub', massKg: 12 },
    { kind: 'ball', hours: 9, airTempC: 21, container: 'lidded-tray' },
  ],
};

interface Answered {
  readonly windowBefore: { readonly peak: Record<'p10' | 'p50' | 'p90', number> };
  readonly windowAfter: Answered['windowBefore'];
  readonly because: readonly string[];
}

describe('calm narrow', () => {
  it('narrows a lot’s window by a mark and a look, and says what did it', () => {
    const { code, out } = calm('narrow', {
      dough,
      marks: [{ hour: 20, rise: 1.75 }],
      looks: [{ hour: 19, found: 'right' }],
    });
    expect(code).toBe(0);
    const { windowBefore, windowAfter, because } = out as unknown as Answered;
    expect(windowAfter.peak.p50).toBeLessThan(windowBefore.peak.p50);
    expect(windowAfter.peak.p90 - windowAfter.peak.p10).toBeLessThan(
      windowBefore.peak.p90 - windowBefore.peak.p10,
    );
    expect(because).toContain('2 marks, readings and looks count.');
    expect(because.join(' ')).toMatch(/yeast seems \d+\s% stronger/);
  });

  it('goes by the house’s own numbers, and by nothing that no dough has', () => {
    const plain = calm('narrow', { dough }).out as unknown as Answered;
    expect(plain.because).toEqual(['Nothing was seen of this lot yet.']);
    const constants = [{ name: 'yeast-activity', factor: 1.2 }];
    const strong = calm('narrow', { dough, constants }).out as unknown as Answered;
    expect(strong.windowBefore.peak.p50).toBeLessThan(plain.windowBefore.peak.p50);
    const joke = calm('narrow', { dough, readings: [{ hour: 2, coreTempC: 80 }] });
    const { windowBefore, windowAfter, because } = joke.out as unknown as Answered;
    expect(windowAfter).toEqual(windowBefore);
    expect(because).toEqual(['A core temperature that no dough has was left out.']);
  });

  it('lists what is wrong with its path', () => {
    const wrong = { dough, looks: [{ hour: -1, found: 'soon' }], constants: [{ name: 'oven' }] };
    const { code, err } = calm('narrow', wrong);
    expect(code).toBe(2);
    const paths = (err?.['problems'] as { path: string }[]).map(({ path }) => path);
    expect(paths).toEqual(
      expect.arrayContaining(['looks/0/hour', 'looks/0/found', 'constants/0/name']),
    );
  });
});

describe('calm learn', () => {
  const lots = (count: number) =>
    Array.from({ length: count }, (_, i) => ({
      id: `L${i}`,
      day: `2026-11-${String(10 + i).padStart(2, '0')}`,
      dough,
      marks: [
        { hour: 11, rise: 1.42 },
        { hour: 19, rise: 1.62 },
        { hour: 21, rise: 1.78 },
      ],
    }));

  it('says which of the house’s numbers its lots move, by how much, and which not and why', () => {
    const { code, out } = calm('learn', { lots: lots(9) });
    expect(code).toBe(0);
    const constants = out?.['constants'] as { name: string; factor?: number; why: string }[];
    const yeast = constants.find(({ name }) => name === 'yeast-activity');
    expect(yeast).toMatchObject({ isMoved: true, why: 'learned', lots: expect.any(Array) });
    expect(yeast?.factor).toBeGreaterThan(1.05);
    expect(constants.find(({ name }) => name === 'cold-end')).toMatchObject({
      isMoved: false,
      shift: 0,
    });
    const error = out?.['riseErrorPercent'] as { before: number; after: number };
    expect(error.after).toBeLessThan(error.before);
  });

  it('moves nothing by few lots, and names the lot that cannot be', () => {
    const { out } = calm('learn', { lots: lots(3) });
    const constants = out?.['constants'] as { isMoved: boolean }[];
    expect(constants.every(({ isMoved }) => !isMoved)).toBe(true);
    const [first, ...others] = lots(3);
    const soup = { ...dough, formula: { ...dough.formula, yeast: { form: 'fresh', percent: 9 } } };
    const { code, err } = calm('learn', { lots: [{ ...first, dough: soup }, ...others] });
    expect(code).toBe(1);
    expect(err?.['why']).toEqual([expect.stringMatching(/^L0: /)]);
  });
});
