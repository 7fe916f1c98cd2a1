import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anyScaleRequest } from '../test-support/arbitraries';
import { scaleLot } from './scale';
import { amountsBySteps, type StepAddition } from './stepAmounts';

const KINDS = [
  'flour',
  'water',
  'salt',
  'sugar',
  'oil',
  'yeast',
  'preferment',
  'addition',
] as const;
const anySteps = fc.array(
  fc.array(
    fc.record({
      kind: fc.constantFrom(...KINDS),
      percent: fc.double({ min: 0, max: 100, noNaN: true }),
    }),
    { maxLength: 4 },
  ),
  { minLength: 1, maxLength: 8 },
);
const line = (kind: (typeof KINDS)[number], grams: number, name: string = kind) => ({
  key: `${kind}:${name}`,
  kind,
  name,
  percent: 1,
  grams,
  exactG: grams,
});

describe('what goes in at which step', () => {
  it('adds up to what is weighed, for any formula and any method', () => {
    fc.assert(
      fc.property(anyScaleRequest, anySteps, (request, steps: StepAddition[][]) => {
        const scaled = scaleLot(request);
        if (!scaled.ok) return;
        for (const { ingredients } of scaled.value.loads) {
          const told = amountsBySteps(ingredients, steps, ({ kind }) =>
            kind === 'yeast' ? request.scaleReadabilityG.yeast : request.scaleReadabilityG.default,
          );
          const parts = [...told.steps.flat(), ...told.rest];
          const lost = ingredients.filter(({ key, grams }) => {
            const own = parts.filter((part) => part.key === key);
            return Math.abs(own.reduce((sum, part) => sum + part.grams, 0) - grams) > 1e-6;
          });
          expect([...lost, ...parts.filter(({ grams }) => !(grams > 0))]).toEqual([]);
        }
      }),
      { numRuns: 10_000, seed: 22 },
    );
  }, 60_000);

  it('is rounded as the scale shows it, and the last step gets what is left', () => {
    const third = { kind: 'flour', percent: 33.3 } as const;
    const told = amountsBySteps([line('flour', 1000)], [[third], [third], [third]], () => 5);
    expect(told.steps.map(([only]) => only?.grams)).toEqual([335, 330, 335]);
    const all = amountsBySteps([line('salt', 31)], [[{ kind: 'salt', percent: 100 }]], () => 5);
    expect(all).toEqual({
      steps: [[{ key: 'salt:salt', kind: 'salt', name: 'salt', grams: 31 }]],
      rest: [],
    });
  });

  it('tells two flours apart where a step names one, and keeps what no step names', () => {
    const lines = [
      line('flour', 800, 'strong white'),
      line('flour', 200, 'semolina'),
      line('water', 600),
    ];
    const told = amountsBySteps(
      lines,
      [[{ kind: 'flour', name: 'semolina', percent: 100 }]],
      () => 1,
    );
    expect(told.steps[0]).toEqual([expect.objectContaining({ name: 'semolina', grams: 200 })]);
    expect(told.rest.map(({ name, grams }) => [name, grams])).toEqual([
      ['strong white', 800],
      ['water', 600],
    ]);
  });

  it('gives no more than there is where steps ask for more', () => {
    const most = { kind: 'water', percent: 80 } as const;
    const told = amountsBySteps([line('water', 500)], [[most], [most], [most]], () => 1);
    expect(told.steps.map((parts) => parts[0]?.grams ?? 0)).toEqual([400, 100, 0]);
  });
});
