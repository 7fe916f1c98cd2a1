import { describe, expect, it } from '@jest/globals';
import {
  doughStageOf,
  fermentPreferments,
  formulaNotes,
  scaleLot,
  simulate,
  totalPercent,
  doughStagesOfRoute,
} from '@calm/core';
import { readFileSync } from 'node:fs';
import { readBookFile } from './readBookFile';

/** Every school that practitioners disagree about, in one file. */
const text = readFileSync(new URL('../formulas/schools.json', import.meta.url), 'utf8');
const read = readBookFile(text);
if (!read.ok) throw new Error(JSON.stringify(read.problems));
const { formulas, routes = [] } = read.value;

describe('every school', () => {
  it('is in the file: bases, orders, yeasts, rests, shapes, additions', () => {
    const methods = new Set(formulas.flatMap(({ method }) => (method ? [method.name] : [])));
    expect(methods.size).toBe(13);
    expect(new Set(formulas.map(({ formula }) => formula.yeast.form)).size).toBe(3);
    expect(formulas.filter(({ formula }) => formula.preferment)).toHaveLength(2);
    expect(formulas.filter(({ formula }) => formula.oldDough)).toHaveLength(1);
    const stages = routes.flatMap((route) => route.stages);
    const rests = stages.flatMap((stage) => (stage.kind === 'rest' ? [stage] : []));
    expect(new Set(rests.map(({ container }) => container)).size).toBe(5);
    expect(rests.filter(({ untilRise }) => untilRise)).toHaveLength(2);
    expect(rests.flatMap(({ shaping }) => shaping ?? []).sort()).toEqual(['gentle', 'knock-back']);
  });

  it.each(formulas.map((entry) => [entry.name, entry] as const))('%s is scaled', (_, entry) => {
    const { formula } = entry;
    const scaled = scaleLot({
      formula,
      items: [
        { count: 60, ballWeightG: 275 },
        { count: 10, ballWeightG: 140, trimPercent: 7 },
      ],
      residuePercent: 1,
      mixer: { minDoughKg: 4, maxDoughKg: 40 },
      scaleReadabilityG: { default: 1, yeast: 0.1 },
    });
    if (!scaled.ok) throw new Error(JSON.stringify(scaled.reasons));
    const { balance } = scaled.value;
    const parts = balance.ballsG + balance.trimG + balance.residueG + balance.remainderG;
    expect(parts).toBeCloseTo(balance.doughG, 6);
    expect(balance.ballsG).toBeCloseTo(60 * 275 + 10 * 140, 6);
    expect(totalPercent(formula)).toBeGreaterThan(145);
    const notes = formulaNotes(formula).map(({ kind }) => kind);
    expect(notes.filter((kind) => kind !== 'yeast-high')).toEqual([]);
  });

  it.each(routes.map((route) => [route.name, route] as const))('%s is gone through', (_, route) => {
    const lean = formulas.find(({ code }) => code === 'PO');
    if (!lean) throw new Error('a dough with a pre-ferment');
    const way = doughStagesOfRoute(route.stages, { loads: 1, balls: 60 });
    const preferments = way.preferments.map((stage) => doughStageOf(stage));
    const histories = preferments.length
      ? { preferment: { doughTempC: 20, stages: preferments } }
      : {};
    const dough = fermentPreferments(lean.formula, histories);
    if (!dough.ok) throw new Error(JSON.stringify(dough.reasons));
    const stages = way.stages.map((stage) => doughStageOf(stage));
    const gone = simulate({ ...dough.value, ballWeightG: 275, doughTempC: 24, stages });
    if (!gone.ok) throw new Error(JSON.stringify(gone.reasons));
    expect(gone.value.stages).toHaveLength(stages.length);
    expect(gone.value.stages.at(-1)?.kind).toBe('ball');
    expect(gone.value.stages.at(-1)?.maturityH).toBeGreaterThan(1);
  });
});
