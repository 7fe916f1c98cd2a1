import { STANDARD_TARGET, USUAL_UNDER_COUNTER } from '@calm/core';
import type { HouseSet } from './houseSet';
import { at, basicPantry, oilLate, rest, work, warmPlace } from './setParts';

const flour = { name: 'strong white', strengthW: 300, proteinPercent: 13 };
const TUE_TO_SAT = [2, 3, 4, 5, 6];

/** One oven, a small planetary, an under-counter fridge, and one person who does it all. */
export const cornerShop: HouseSet = {
  settings: {
    ovens: [{ name: 'Oven', heatUpMin: 60, ballsPerHour: 40 }],
    usualTempsC: { room: 23, flour: 22, tap: 15, preferment: 20 },
    scaleReadabilityG: { default: 1, yeast: 1 },
  },
  mixers: [
    { name: 'Small planetary', kind: 'planetary', minDoughKg: 1.5, maxDoughKg: 8, frictionC: 11 },
  ],
  places: [
    {
      name: 'Under-counter',
      zones: [{ name: 'inside', positions: 8, warmerC: 0 }],
      traysAPosition: 2,
      tubs: 0,
      room: USUAL_UNDER_COUNTER,
      airByHour: [],
    },
    warmPlace('Bench', { zone: 'end', positions: 6, traysAPosition: 2, tubs: 4 }, [
      [9, 23],
      [23, 19],
    ]),
  ],
  pantry: basicPantry(flour),
  routes: [
    {
      name: 'One night cold',
      stages: [
        work('weigh', 'mix', 5, { perLoadMin: 5 }),
        work('mix', 'mix', 4, { perLoadMin: 15 }),
        rest('bulk', { place: 'Bench', airTempC: 23, container: 'tub' }, [0.5, 1, 2]),
        work('divide-ball', 'ball', 5, { perHundredBallsMin: 45 }),
        work('chill', 'cold', 5),
        rest(
          'cold',
          { place: 'Under-counter', airTempC: 4, container: 'lidded-tray' },
          [16, 24, 44],
        ),
        work('pull', 'cold', 5),
        rest('temper', { place: 'Bench', airTempC: 23, container: 'lidded-tray' }, [1, 2, 3.5]),
      ],
    },
  ],
  formulas: [
    {
      name: 'Corner dough',
      code: 'CN',
      doughTempC: 24,
      formula: {
        flours: [{ ...flour, percent: 100 }],
        waterPercent: 62,
        saltPercent: 2.6,
        oilPercent: 2,
        yeast: { form: 'fresh', percent: 0.6 },
      },
      method: oilLate,
      mixer: 'Small planetary',
    },
  ],
  products: [
    {
      name: 'Corner Round',
      formula: 'CN',
      route: 'One night cold',
      ballWeightG: 260,
      trimPercent: 0,
      ballsPerTray: 10,
      isFromRemainders: false,
      target: STANDARD_TARGET,
    },
  ],
  services: [
    {
      name: 'Evening',
      weekdays: TUE_TO_SAT,
      startMin: at(17),
      endMin: at(21, 30),
      usual: { 'Corner Round': 45 },
    },
  ],
  owner: {
    skills: ['mix', 'ball', 'cold', 'oven'],
    shifts: [
      { weekdays: [1], startMin: at(13), endMin: at(18) },
      { weekdays: TUE_TO_SAT, startMin: at(13), endMin: at(22) },
    ],
  },
};
