import { doseDocument, routeOfDocument } from '@calm/domain';
import { simulate, doughStagesOfRoute } from '@calm/core';
import { exampleBook } from '@calm/demo';
import { describe, expect, it } from '@jest/globals';
import { asPlanned, documentOf, stageHours, withAlternative, type PlannedDough } from './whatIf';

const book = exampleBook();
function doughOf(slug: string): PlannedDough {
  const product = book.products.find((p) => p.slug === slug);
  const record = book.formulas.find((f) => f.id === product?.formulaId);
  const route = book.routes.find((r) => r.id === product?.routeId);
  if (!product || !record || !route) throw new Error(slug);
  const way = doughStagesOfRoute(route.stages, { loads: 1, balls: 100 });
  return {
    product,
    record,
    way,
    size: { loads: 1, balls: 100 },
    prefermentTempC: 19,
    mixedMs: 0,
    doorsMs: 0,
    closeMs: 0,
  };
}
const yard = doughOf('yard-round');
const slab = doughOf('slab');

describe('what if', () => {
  it('starts as the house makes it, and every product is ready about doors', () => {
    for (const slug of ['yard-round', 'slab', 'crackle', 'sprout']) {
      const dough = doughOf(slug);
      const document = documentOf(dough, asPlanned(dough));
      expect(document.formula.flours).toBe(dough.record.formula.flours);
      const route = routeOfDocument(document);
      if (!route.ok) throw new Error(slug);
      const way = simulate(route.value, { target: dough.product.target });
      const doors = stageHours(dough, asPlanned(dough)).at(-1) ?? NaN;
      if (!way.ok || way.value.window.kind !== 'ready') throw new Error(`${slug} is never ready`);
      expect(Math.abs(way.value.window.earliestHour - doors)).toBeLessThan(1.25);
    }
  });

  it('asks the engine for what was pulled at, and nothing else', () => {
    const planned = asPlanned(yard);
    const stages = planned.stages.map((s, i) => (i === 1 ? { hours: 30, airTempC: 6 } : s));
    const document = documentOf(yard, { ...planned, yeastPercent: 1, strengthW: 250, stages });
    expect(document.formula).toMatchObject({
      flours: [{ percent: 100, strengthW: 250 }],
      saltPercent: 2.6,
      yeast: { form: 'fresh', percent: 1 },
    });
    expect(document.stages[1]).toMatchObject({ hours: 30 + 10 / 60, airTempC: 6 });
    expect(document.target).toEqual(yard.product.target);
    expect(document.histories).toEqual({});
  });

  it('lets a pre-ferment have its night', () => {
    const { histories } = documentOf(slab, asPlanned(slab));
    expect(histories?.preferment?.stages).toMatchObject([{ hours: 16, airTempC: 19 }]);
  });

  it('counts hours from the mixer with the hands’ time', () => {
    const hours = stageHours(yard, asPlanned(yard));
    const balling = (10 + 22 + 10) / 60;
    expect(hours[1]).toBeCloseTo(1.5 + balling, 9);
    expect(hours).toHaveLength(4);
  });

  it('takes up what the engine proposes, so that the dose is then found', () => {
    const planned = asPlanned(slab);
    const peakHour = (stageHours(slab, planned).at(-1) ?? NaN) - 1;
    const refused = doseDocument({ ...documentOf(slab, planned), peakHour });
    if (refused.ok) throw new Error('cold balls do not open');
    const changes = refused.reasons.flatMap(({ alternatives }) => alternatives);
    expect(changes.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['peak-hour', 'stage-hours', 'air-temp']),
    );
    for (const change of changes) {
      const changed = withAlternative(planned, change, slab.way.stages);
      const at = change.kind === 'peak-hour' ? change.hour : peakHour;
      const again = doseDocument({ ...documentOf(slab, changed), peakHour: at });
      expect([change, again.ok]).toEqual([change, true]);
    }
    expect(withAlternative(planned, { kind: 'dough-temp', tempC: 27 }, []).doughTempC).toBe(27);
    const strong = withAlternative(planned, { kind: 'flour-strength', strengthW: 360 }, []);
    expect(strong.strengthW).toBe(360);
  });
});
