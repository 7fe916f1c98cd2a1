import { describe, expect, it } from '@jest/globals';
import { stageKey, workOf, countBack } from '@calm/core';
import { check, formulaSchema } from '@calm/contract/schemas';
import { makeHistory, WEEKS_OF_HISTORY } from './past/history';
import * as yard from './lanternYard';
import { exampleBook } from './load';
import { noise } from './noise';

const book = exampleBook();
const WEDNESDAY = new Date('2026-11-25T14:40:00Z');
const history = makeHistory(book, WEDNESDAY);

describe('Lantern Yard', () => {
  it('has formulas that its own schema takes', () => {
    for (const { name, formula } of yard.formulas) {
      const checked = check(formulaSchema, formula);
      expect([name, checked.ok ? [] : checked.errors]).toEqual([name, []]);
    }
  });

  it('is closed on Mondays and open for dinner on all other days', () => {
    const dinners = yard.services.filter((s) => s.name === 'Dinner').map((s) => s.weekday);
    expect(dinners).toEqual([2, 3, 4, 5, 6, 7]);
    expect(yard.services.some((s) => s.weekday === 1)).toBe(false);
  });

  it('has a usual count for every product at every service', () => {
    for (const service of yard.services) {
      for (const { key } of yard.products) {
        expect(yard.usual[service.name]?.[key]?.[service.weekday - 1]).toBeGreaterThan(0);
      }
    }
  });

  it('has routes whose preferred hours lie within their bounds', () => {
    for (const stage of yard.routes.flatMap((route) => route.stages)) {
      if (stage.kind === 'work') continue;
      const { least, preferred, most } = stage.hours;
      expect(least <= preferred && preferred <= most).toBe(true);
    }
  });
});

describe('its history', () => {
  it('is ten weeks long and reaches the lots under way', () => {
    const dates = history.map((lot) => lot.serviceDate);
    expect(dates[0]).toBe('2026-09-16');
    expect(dates.at(-1)).toBe('2026-11-27');
    expect(new Set(dates).size).toBeGreaterThan(WEEKS_OF_HISTORY * 6 - 2);
  });

  it('is the same each time, whatever came before', () => {
    expect(makeHistory(exampleBook(), WEDNESDAY)).toEqual(history);
    expect(makeHistory(book, WEDNESDAY, 1)).toEqual(
      expect.arrayContaining(
        history.slice(-3).map((lot) => expect.objectContaining({ id: lot.id })),
      ),
    );
  });

  it('records nothing that has not happened yet', () => {
    const times = history.flatMap((lot) => lot.marks.map((mark) => Date.parse(mark.doneAt ?? '')));
    expect(Math.max(...times)).toBeLessThanOrEqual(WEDNESDAY.getTime());
  });

  it('has every past lot finished, in its route’s order', () => {
    const past = history.filter((lot) => lot.serviceDate < '2026-11-25');
    for (const lot of past) {
      const size = { loads: lot.loads.length, balls: lot.items.reduce((n, i) => n + i.count, 0) };
      const works = workOf(countBack(lot.recipe.route, Date.parse(lot.doorsAt), size));
      const done = lot.marks.filter((mark) => mark.loadNumber === 0).map((mark) => mark.stepKey);
      expect(done).toEqual(works.map(stageKey));
    }
  });

  it('comes out near the wanted temperature, and far from it in the heatwave’s rooms', () => {
    const loads = history.flatMap((lot) =>
      lot.loads.map((load) => ({ load, lot, isHot: lot.note.startsWith('Heatwave') })),
    );
    const hot = loads.filter(({ isHot }) => isHot);
    expect(hot.length).toBeGreaterThan(8);
    for (const { load, isHot } of loads) {
      expect(load.roomTempC > 26).toBe(isHot);
    }
    const off = loads
      .filter(({ load, isHot }) => load.doughOutC !== null && !isHot)
      .map(({ load, lot }) => Math.abs((load.doughOutC ?? 0) - lot.recipe.doughTempC));
    expect(off.reduce((sum, c) => sum + c, 0) / off.length).toBeLessThan(1.5);
  });

  it('works on any day of the week, across clock changes too', () => {
    for (let day = 0; day < 7; day += 1) {
      const now = new Date(Date.parse('2026-10-24T09:00:00Z') + day * 86_400_000);
      expect(makeHistory(book, now, 1).length).toBeGreaterThan(10);
    }
  });
});

describe('noise', () => {
  it('depends on the key alone and spreads over its range', () => {
    expect(noise('yard')).toBe(noise('yard'));
    const values = Array.from({ length: 2000 }, (_, i) => noise(`key ${i}`));
    const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.05);
    expect(Math.min(...values)).toBeLessThan(-0.98);
    expect(Math.max(...values)).toBeGreaterThan(0.98);
  });
});
