import { HOUR_MS, simulate } from '@calm/core';
import { describe, expect, it } from '@jest/globals';
import { doseDocument, routeOfDocument } from '../formulas/simulateDough';
import { board, book, NOW_MS, plain, product } from '../test-support/coldLots';
import { floursInUse, flourNeeds, flourSwaps } from './flourShort';
import { sameDayDough, soonestMs } from './sameDay';

const begun = board(plain);
/** The same dough while it is only wanted. */
const wanted = { ...begun, lot: null };

describe('dough that is begun now for the same day', () => {
  it('opens well when it is wanted, with the yeast that the engine finds for it', () => {
    const wantMs = NOW_MS + 6 * HOUR_MS;
    const dough = sameDayDough(begun, product, 40, 18, NOW_MS, wantMs);
    if (!dough) throw new Error('six hours are enough');
    expect(dough.mixedMs).toBeGreaterThan(NOW_MS);
    expect(dough.workMin).toBeGreaterThan((dough.mixedMs - NOW_MS) / 60_000);
    const dose = doseDocument(dough.document);
    if (!dose.ok) throw new Error(JSON.stringify(dose.reasons));
    const { formula } = dough.document;
    const yeast = { ...formula.yeast, percent: dose.value.yeastPercent };
    const route = routeOfDocument({ ...dough.document, formula: { ...formula, yeast } });
    if (!route.ok) throw new Error(JSON.stringify(route.reasons));
    const way = simulate(route.value, { target: product.target });
    if (!way.ok || way.value.window.kind !== 'ready') throw new Error('it opens');
    const peakMs = dough.mixedMs + way.value.window.peakHour * HOUR_MS;
    expect(Math.abs(peakMs - wantMs)).toBeLessThan(20 * 60_000);
  });

  it('is not offered where there is no time, and by its own way takes as long as its least hours', () => {
    expect(sameDayDough(begun, product, 40, 18, NOW_MS, NOW_MS + 2 * HOUR_MS)).toBeNull();
    const leastH = begun.recipe.route.reduce(
      (sum, stage) => sum + (stage.kind === 'rest' ? stage.hours.least : 0),
      0,
    );
    expect(soonestMs(begun, 40, NOW_MS)).toBeGreaterThan(NOW_MS + leastH * HOUR_MS);
  });
});

describe('a flour that runs out', () => {
  const flour = 'strong white';
  const needG = flourNeeds([wanted], flour, 0)[0]?.needG ?? 0;

  it('is given to lots in the order they are mixed, and counted for none that is begun', () => {
    expect(needG).toBeGreaterThan(1000);
    expect(flourNeeds([begun], flour, 0)).toEqual([]);
    const later = {
      ...wanted,
      stages: wanted.stages.map((stage) => ({ ...stage, startMs: stage.startMs + HOUR_MS })),
    };
    const needs = flourNeeds([later, wanted], flour, 1.5 * needG);
    expect(needs.map(({ hasG }) => Math.round(hasG / needG / 0.5))).toEqual([2, 1]);
    expect(needs[0]?.lot).toBe(wanted);
  });

  it('is taken by the nearest flours of the house, for what is missing and as far as they go', () => {
    const [need] = flourNeeds([wanted], flour, needG / 2);
    if (!need) throw new Error('it needs some');
    const [swap] = flourSwaps(need, flour, book);
    expect(swap?.flour.name).toBe('medium white');
    expect(swap?.moreWaterPercent).toBeCloseTo(-1, 1);
    const shares = swap?.document.formula.flours.map(({ percent }) => Math.round(percent));
    expect(shares).toEqual([50, 50]);
    const scarce = {
      ...book,
      pantry: book.pantry.map((each) => ({ ...each, storeKg: needG / 8000 })),
    };
    const [less] = flourSwaps(need, flour, scarce);
    expect(less?.lacksG).toBeCloseTo((needG * 3) / 8, 0);
    expect(floursInUse(book)).toContain(flour);
  });
});
