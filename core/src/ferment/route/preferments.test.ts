import { describe, expect, it } from '@jest/globals';
import type { Formula } from '../../formula';
import { fermentPreferments, simulate, type DoughStage, type History } from '..';

const slab: Formula = {
  flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
  waterPercent: 70,
  saltPercent: 2.4,
  yeast: { form: 'instant', percent: 0.2 },
  preferment: {
    name: 'poolish-type pre-ferment',
    flourSharePercent: 25,
    waterPercent: 100,
    yeast: { form: 'instant', percent: 0.04 },
  },
};
const tub = (hours: number, airTempC: number): DoughStage => ({
  kind: 'bulk',
  hours,
  airTempC,
  container: 'tub',
  massKg: 4,
});
const overnight: History = { doughTempC: 20, stages: [tub(16, 19)] };

function preferments(formula: Formula, histories: Parameters<typeof fermentPreferments>[1]) {
  const result = fermentPreferments(formula, histories);
  if (!result.ok) throw new Error(JSON.stringify(result.reasons));
  return result.value;
}

describe('what ferments ahead', () => {
  it('leaves the bowl the rest of the yeast, and brings its own, grown', () => {
    const { formula, headstarts } = preferments(slab, { preferment: overnight });
    expect(formula.yeast.percent).toBeCloseTo(0.2 - 0.25 * 0.04, 12);
    const [start] = headstarts;
    const wentIn = (0.04 / 0.33) * 10;
    expect(start?.flourShare).toBe(0.25);
    expect(start?.yeastGPerKg).toBeGreaterThan(wentIn * 1.3);
    expect(start?.yeastGPerKg).toBeLessThan(wentIn * 4);
    expect(start?.maturityH).toBeCloseTo(15, -0.5);
  });

  it('comes in as it was mixed where nobody says what it went through', () => {
    const [start] = preferments(slab, {}).headstarts;
    expect(start?.yeastGPerKg).toBeCloseTo((0.04 / 0.33) * 10, 9);
    expect(start?.maturityH).toBe(0);
  });

  it('makes the dough riper and quicker than the same yeast put in all at once', () => {
    const stages = [tub(2, 22), { ...tub(5, 24), kind: 'ball' as const }];
    const rest = { ballWeightG: 820, doughTempC: 24, stages };
    const [direct, viaPreferment] = [
      simulate({ ...rest, formula: slab }),
      simulate({ ...rest, ...preferments(slab, { preferment: overnight }) }),
    ];
    if (!direct.ok || !viaPreferment.ok) throw new Error('both fine');
    const endOf = (way: typeof direct) => (way.ok ? way.value.stages.at(-1) : undefined);
    expect(endOf(viaPreferment)?.maturityH).toBeGreaterThan((endOf(direct)?.maturityH ?? NaN) + 3);
    expect(endOf(viaPreferment)?.rise).toBeGreaterThan(endOf(direct)?.rise ?? NaN);
  });

  it('may be old dough with a night of its own, beside a pre-ferment', () => {
    const lean = { ...slab, waterPercent: 62, yeast: { form: 'fresh' as const, percent: 0.3 } };
    const { preferment: _, ...kept } = lean;
    const both: Formula = {
      ...slab,
      yeast: { form: 'fresh', percent: 1 },
      oldDough: { name: 'yesterday’s trim', percent: 16, formula: kept },
    };
    const histories = {
      preferment: overnight,
      oldDough: { doughTempC: 24, stages: [tub(2, 22), tub(20, 4)] },
    };
    const { headstarts } = preferments(both, histories);
    expect(headstarts).toHaveLength(2);
    expect(headstarts[1]?.flourShare).toBeCloseTo(0.16 / 1.647, 6);
    expect(headstarts[1]?.maturityH).toBeGreaterThan(4);
  });

  it('says what is wrong with a history, and with a formula that gives too much away', () => {
    const wrong = fermentPreferments(slab, {
      preferment: { doughTempC: 90, stages: [tub(-1, 19)] },
    });
    expect(wrong).toEqual({
      ok: false,
      reasons: [
        { kind: 'dough-temp', tempC: 90, least: 1, most: 40 },
        { kind: 'stage-hours', stage: 0, hours: -1, least: 0, most: 240 },
      ],
    });
    const greedy = { ...slab, yeast: { form: 'instant' as const, percent: 0.001 } };
    expect(fermentPreferments(greedy, {})).toMatchObject({ reasons: [{ kind: 'takes-too-much' }] });
  });
});
