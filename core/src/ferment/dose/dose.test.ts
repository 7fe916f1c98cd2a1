import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Container } from '../../formula/route';
import {
  applyAlternative,
  findDose,
  simulate,
  solveDose,
  type DoseRequest,
  type DoughRoute,
} from '..';

const double = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const inTray: fc.Arbitrary<Container> = fc.constantFrom('lidded-tray', 'open-tray', 'single-tub');

/** Routes as kitchens have them: some bulk, balls in the cold or the room, a last warm stage. */
const anyRequest: fc.Arbitrary<DoseRequest> = fc
  .record({
    bulkH: double(0.25, 4),
    bulkC: double(18, 27),
    massKg: double(2, 30),
    coldH: fc.option(double(14, 36), { nil: undefined, freq: 12 }),
    coldC: double(2, 6),
    warmH: double(2, 6),
    warmC: double(19, 27),
    container: inTray,
    ballWeightG: double(120, 600),
    doughTempC: double(20, 27),
    strengthW: double(290, 380),
    waterPercent: double(55, 75),
    saltPercent: double(1.5, 3.2),
    sugarPercent: double(0, 4),
    form: fc.constantFrom('fresh' as const, 'active-dry' as const, 'instant' as const),
    peakAfterH: double(1.5, 6),
  })
  .map((r) => {
    const cold = { kind: 'ball' as const, hours: r.coldH ?? 0, airTempC: r.coldC };
    const warm = { kind: 'ball' as const, hours: r.warmH, airTempC: r.warmC };
    const route: DoughRoute = {
      formula: {
        flours: [{ name: 'white', percent: 100, strengthW: r.strengthW }],
        waterPercent: r.waterPercent,
        saltPercent: r.saltPercent,
        sugarPercent: r.sugarPercent,
        yeast: { form: r.form, percent: 0 },
      },
      ballWeightG: r.ballWeightG,
      doughTempC: r.doughTempC,
      stages: [
        { kind: 'bulk', hours: r.bulkH, airTempC: r.bulkC, container: 'tub', massKg: r.massKg },
        ...(r.coldH === undefined ? [] : [{ ...cold, container: r.container }]),
        { ...warm, container: r.container },
      ],
    };
    return { route, peakHour: r.bulkH + (r.coldH ?? 0) + r.peakAfterH };
  });

describe('dose', () => {
  it('then simulate returns the asked peak within 5 min on 1,000 random feasible routes', () => {
    let feasible = 0;
    let infeasible = 0;
    for (const request of fc.sample(anyRequest, { numRuns: 4000, seed: 1126 })) {
      if (feasible >= 1000) break;
      const dose = findDose(request);
      if (!dose.ok) {
        infeasible += 1;
        continue;
      }
      feasible += 1;
      const { route } = request;
      const dosed = { ...route, formula: { ...route.formula, yeast: dose.value.yeast } };
      const way = simulate(dosed);
      if (!way.ok || way.value.window.kind !== 'ready') throw new Error(JSON.stringify(request));
      const offMin = Math.abs(way.value.window.peakHour - request.peakHour) * 60;
      if (offMin > 5) throw new Error(`${offMin} min off: ${JSON.stringify(request)}`);
    }
    expect(feasible).toBe(1000);
    expect(infeasible).toBeGreaterThan(20);
  });

  it('is refused with a reason, and the first alternative works', () => {
    let refused = 0;
    for (const request of fc.sample(anyRequest, { numRuns: 200, seed: 7 })) {
      const dose = solveDose(request);
      if (dose.ok) continue;
      refused += 1;
      const [refusal] = dose.reasons;
      if (refusal?.kind !== 'no-dose') throw new Error('a fine route');
      expect(refusal.reasons.length).toBeGreaterThan(0);
      const [first] = refusal.alternatives;
      if (!first) throw new Error(`nothing proposed: ${JSON.stringify({ request, refusal })}`);
      const again = solveDose(applyAlternative(request, first));
      if (!again.ok) throw new Error(JSON.stringify({ request, first, reasons: again.reasons }));
    }
    expect(refused).toBeGreaterThan(15);
  });

  const yard: DoseRequest = {
    route: {
      formula: {
        flours: [{ name: 'strong white', percent: 100, strengthW: 300 }],
        waterPercent: 62,
        saltPercent: 2.4,
        yeast: { form: 'fresh', percent: 0 },
      },
      ballWeightG: 275,
      doughTempC: 24,
      stages: [
        { kind: 'bulk', hours: 2, airTempC: 22, container: 'tub', massKg: 10 },
        { kind: 'ball', hours: 40, airTempC: 4, container: 'lidded-tray' },
        { kind: 'ball', hours: 3, airTempC: 23, container: 'lidded-tray' },
      ],
    },
    peakHour: 45,
  };
  const reasonsOf = (request: DoseRequest) => {
    const dose = solveDose(request);
    const [refusal] = dose.ok ? [] : dose.reasons;
    return refusal?.kind === 'no-dose' ? refusal.reasons.map(({ kind }) => kind) : [];
  };

  it('is an ordinary one for an ordinary route', () => {
    const dose = solveDose(yard);
    if (!dose.ok) throw new Error(JSON.stringify(dose.reasons));
    expect(dose.value.freshPercent).toBeGreaterThan(0.2);
    expect(dose.value.freshPercent).toBeLessThan(1);
  });

  it('comes in the form that is asked for', () => {
    const instant = {
      ...yard,
      route: {
        ...yard.route,
        formula: { ...yard.route.formula, yeast: { form: 'instant' as const, percent: 0 } },
      },
    };
    const [fresh, dry] = [solveDose(yard), solveDose(instant)];
    if (!fresh.ok || !dry.ok) throw new Error('both work');
    expect(dry.value.yeast.percent).toBeCloseTo(fresh.value.yeast.percent * 0.33, 3);
  });

  it('is less for a later peak, and more for tired yeast', () => {
    const percent = (request: DoseRequest) => {
      const dose = solveDose(request);
      return dose.ok ? dose.value.yeast.percent : NaN;
    };
    expect(percent({ ...yard, peakHour: 47 })).toBeLessThan(percent(yard));
    const tired = { ...yard, route: { ...yard.route, yeastActivity: 0.8 } };
    expect(percent(tired)).toBeCloseTo(percent(yard) / 0.8, 2);
  });

  it('cannot be before the dough is warm or relaxed, nor where its flour holds nothing', () => {
    expect(reasonsOf({ ...yard, peakHour: 42.2 })).toContain('not-warm-yet');
    const justBalled = {
      ...yard.route,
      stages: [
        { kind: 'bulk' as const, hours: 2, airTempC: 25, container: 'tub' as const },
        { kind: 'ball' as const, hours: 1, airTempC: 25, container: 'lidded-tray' as const },
      ],
    };
    expect(reasonsOf({ route: justBalled, peakHour: 2.1 })).toContain('too-tight-yet');
    const weak = [{ name: 'weak', percent: 100, strengthW: 130 }];
    const long = {
      ...yard.route,
      formula: { ...yard.route.formula, flours: weak },
      stages: [{ kind: 'ball' as const, hours: 60, airTempC: 26, container: 'tub' as const }],
    };
    expect(reasonsOf({ route: long, peakHour: 59 })).toContain('flour-worn-out');
    expect(reasonsOf({ ...yard, peakHour: 20 })).toEqual(['peak-not-in-last-stage']);
  });

  it('is for same-day dough as for any other, and says its odds', () => {
    const quick = {
      ...yard.route,
      stages: [
        { kind: 'ball' as const, hours: 3, airTempC: 23, container: 'lidded-tray' as const },
      ],
    };
    const dose = solveDose({ route: quick, peakHour: 3 });
    expect(dose.ok && dose.value.odds).toBeGreaterThan(0.9);
  });

  it.each([
    ['20 h at room and 4 h balled, W 280', 280, [20, 20], [4, 20], 23.5],
    ['24 h at room, then 48 h cold', 320, [24, 20], [48, 4], 74.5],
    ['18 h without kneading', 280, [18, 21], [1.5, 22], 19],
    ['96 h cold with strong flour', 360, [1, 22], [96, 4], 99.5],
  ] as const)('%s: ordinary craft has its dose', (_what, strengthW, first, second, peakHour) => {
    const stages: DoughRoute['stages'] = [
      { kind: 'bulk', hours: first[0], airTempC: first[1], container: 'tub' },
      { kind: 'ball', hours: second[0], airTempC: second[1], container: 'lidded-tray' },
      ...(second[1] < 10
        ? [{ kind: 'ball', hours: 3, airTempC: 22, container: 'lidded-tray' } as const]
        : []),
    ];
    const formula = {
      ...yard.route.formula,
      flours: [{ name: 'white', percent: 100, strengthW }],
    };
    const dose = solveDose({ route: { ...yard.route, formula, stages }, peakHour });
    if (!dose.ok) throw new Error(JSON.stringify(dose.reasons));
    expect(dose.value.odds).toBeGreaterThan(0.5);
  });

  it('passes a route’s own faults on and proposes nothing for them', () => {
    const broken = { ...yard, route: { ...yard.route, doughTempC: 90 } };
    expect(solveDose(broken)).toEqual({
      ok: false,
      reasons: [
        { kind: 'bad-route', faults: [{ kind: 'dough-temp', tempC: 90, least: 1, most: 40 }] },
      ],
    });
  });
});
