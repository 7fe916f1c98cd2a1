import { describe, expect, it } from '@jest/globals';
import { calm } from './test-support/calm';

const dough = {
  formula: {
    flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
    waterPercent: 62,
    saltPercent: 2.6,
    yeast: { form: 'fresh', percent: 0.3 },
  },
  ballWeightG: 275,
  doughTempC: 24,
  stages: [
    { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 12 },
    { kind: 'ball', hours: 20, airTempC: 4, container: 'lidded-tray' },
    { kind: 'ball', hours: 4, airTempC: 22, container: 'lidded-tray' },
  ],
};

interface Diagnosed {
  readonly causes: readonly {
    readonly cause: string;
    readonly odds: number;
    readonly for: readonly string[];
    readonly settleBy: string;
    readonly tryFirst: string;
  }[];
  readonly isTold: boolean;
  readonly missing: readonly string[];
}

describe('calm diagnose', () => {
  it('names what the record speaks for, what settles it, and what to try first', () => {
    const { code, out } = calm('diagnose', {
      faults: ['springs-back'],
      lot: {
        dough,
        weighed: [
          { ingredient: 'yeast', grams: 30, wantedG: 30 },
          { ingredient: 'strong white', grams: 10_000, wantedG: 10_000 },
        ],
        readings: [{ hour: 1, coreTempC: 24 }],
        opened: { hour: 25, coreTempC: 7 },
        cover: 'closed',
      },
      lastGood: [{ dough }],
    });
    expect(code).toBe(0);
    const { causes, isTold } = out as unknown as Diagnosed;
    expect(isTold).toBe(true);
    expect(causes[0]).toMatchObject({
      cause: 'cold-core',
      settleBy: 'A thermometer in the middle of a ball.',
      tryFirst: 'Give it longer out of the cold; put a thermometer in the middle.',
    });
    expect(causes[0]?.for).toContain('Core temperature at opening: lower than usual.');
    expect(causes.reduce((sum, { odds }) => sum + odds, 0)).toBeCloseTo(1, 6);
  });

  it('is a guide from a fault alone: it says what would tell', () => {
    const { isTold, missing } = calm('diagnose', { faults: ['tears'] }).out as unknown as Diagnosed;
    expect(isTold).toBe(false);
    expect(missing).toContain('Tore when stretched to light');
  });

  it('says what is wrong with its input, and why a dough cannot be', () => {
    const wrong = { faults: ['hums'], lot: { dough: { ...dough, doughTempC: 'warm' } } };
    const { code, err } = calm('diagnose', wrong);
    expect(code).toBe(2);
    expect(JSON.stringify(err)).toMatch(/faults.0/);
    expect(calm('diagnose', { faults: [] }).code).toBe(2);
    const never = { ...dough, formula: { ...dough.formula, flours: [] } };
    expect(calm('diagnose', { faults: ['tears'], lot: { dough: never } }).code).not.toBe(0);
  });
});
