import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readBookFile } from '../files';
import { cornerShop } from './cornerShop';
import { restaurant } from './restaurant';
import { routeForHouse } from './routeForHouse';

const library = readBookFile(
  readFileSync(new URL('../formulas/schools.json', import.meta.url), 'utf8'),
);
const routes = library.ok ? (library.value.routes ?? []) : [];
const alone = { people: [cornerShop.owner], places: cornerShop.places };
const five = { people: Array(5).fill(restaurant.owner), places: restaurant.places };

describe('a route of the trade', () => {
  it('is there', () => expect(routes.length).toBeGreaterThan(5));

  it.each(routes)('$name: one alone can go it, in the places of a small house', ({ stages }) => {
    const own = routeForHouse(stages, alone);
    const names = cornerShop.places.map(({ name }) => name);
    for (const stage of own) {
      if (stage.kind === 'work') expect(stage.people).toBe(1);
      else expect(names).toContain(stage.place);
    }
    expect(own.map(({ key }) => key)).toEqual(stages.map(({ key }) => key));
  });

  it('takes two of five for what takes two, and half as long', () => {
    const [bulkFirst] = routes;
    if (!bulkFirst) throw new Error('the library has routes');
    const ball = (of: typeof alone) =>
      routeForHouse(bulkFirst.stages, of).find(({ key }) => key === 'divide-ball');
    expect(ball(five)).toMatchObject({ people: 2, rate: { perHundredBallsMin: 22 } });
    expect(ball(alone)).toMatchObject({ people: 1, rate: { perHundredBallsMin: 44 } });
  });
});
