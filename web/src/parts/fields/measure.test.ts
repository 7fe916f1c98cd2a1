import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { measureAsRead, type Measure } from './measure';
import { KITCHEN_TEMP, readNumber } from './readNumber';

const METRIC = { language: 'en', mass: 'metric', temp: 'celsius' } as const;
const US = { language: 'en-US', mass: 'us', temp: 'fahrenheit' } as const;
const GRAMS = { min: 0, max: 100_000, decimals: 0 };

describe('a measure as a person reads it', () => {
  it('is as it is kept, in metric', () => {
    const temp = measureAsRead('temp', METRIC, KITCHEN_TEMP, 0.5);
    expect(temp).toMatchObject({ unit: '°C', rule: KITCHEN_TEMP, step: 0.5 });
    expect(temp.toStored(temp.toShown(24))).toBe(24);
  });

  it('is °F, oz and lb otherwise', () => {
    const temp = measureAsRead('temp', US, KITCHEN_TEMP, 0.5);
    expect([temp.unit, temp.toShown(24), temp.toStored(75.2)]).toEqual(['°F', 75.2, 24]);
    const grams = measureAsRead('grams', US, GRAMS, 10);
    expect(grams.unit).toBe('oz');
    expect(grams.toShown(275)).toBeCloseTo(9.7, 2);
    const kilograms = measureAsRead('kilograms', US, { min: 0.1, max: 50, decimals: 1 }, 1);
    expect(kilograms.unit).toBe('lb');
    expect(kilograms.toShown(25)).toBeCloseTo(55.116, 3);
  });

  it('lets nobody type past what may be kept, and loses nothing that a scale shows', () => {
    const measures: readonly Measure[] = ['temp', 'grams', 'kilograms'];
    fc.assert(
      fc.property(
        fc.constantFrom(...measures),
        fc.double({ min: -50, max: 200_000, noNaN: true }),
        (measure, typed) => {
          const rule = { min: 1, max: 40, decimals: 1 };
          const read = measureAsRead(measure, US, rule, 1);
          const answer = readNumber(typed.toFixed(read.rule.decimals), read.rule);
          if (!answer.ok || answer.value === null) return;
          const stored = read.toStored(answer.value);
          expect(stored).toBeGreaterThanOrEqual(rule.min - 1e-9);
          expect(stored).toBeLessThanOrEqual(rule.max + 1e-9);
        },
      ),
    );
    const grams = measureAsRead('grams', US, GRAMS, 1);
    const shown = Number(grams.toShown(275).toFixed(grams.rule.decimals));
    expect(Math.abs(grams.toStored(shown) - 275)).toBeLessThan(0.5);
  });
});
