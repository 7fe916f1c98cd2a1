import { STANDARD_TARGET, USUAL_ROOM } from '@calm/core';
import type { HouseSet } from './houseSet';
import { at, basicPantry, rest, saltInWater, work, warmPlace } from './setParts';

const flour = { name: 'strong white', strengthW: 320, proteinPercent: 13.2 };
const TUE_TO_SUN = [2, 3, 4, 5, 6, 7];

/** Two ovens, a spiral and a walk-in: one dough, two sizes, two nights cold. */
export const restaurant: HouseSet = {
  settings: {
    ovens: [
      { name: 'First oven', heatUpMin: 90, ballsPerHour: 60 },
      { name: 'Second oven', heatUpMin: 90, ballsPerHour: 60 },
    ],
    kitchen: { benchPlaces: 3, tubKg: 12, unsocialFromMin: at(22), unsocialUntilMin: at(6) },
  },
  mixers: [{ name: '30 kg spiral', kind: 'spiral', minDoughKg: 5, maxDoughKg: 30, frictionC: 14 }],
  places: [
    {
      name: 'Walk-in',
      zones: [
        { name: 'door', positions: 12, warmerC: 0.8 },
        { name: 'back', positions: 24, warmerC: -0.2 },
      ],
      traysAPosition: 2,
      tubs: 6,
      room: {
        ...USUAL_ROOM,
        coolingW: 1500,
        setC: 3.5,
        defrost: { everyH: 8, minutes: 20, heaterW: 600 },
        zonesC: { door: 0.8, back: -0.2 },
      },
      airByHour: [],
    },
    warmPlace('Bench', { zone: 'end', positions: 8, traysAPosition: 1, tubs: 10 }, [
      [8, 22],
      [23, 18],
    ]),
    warmPlace('Oven side', { zone: 'racks', positions: 18, traysAPosition: 2, tubs: 0 }, [
      [10, 24],
      [23, 20],
    ]),
  ],
  pantry: basicPantry(flour),
  routes: [
    {
      name: 'Two nights cold',
      stages: [
        work('weigh', 'mix', 8, { perLoadMin: 4 }),
        work('mix', 'mix', 6, { perLoadMin: 16 }),
        rest('bulk', { place: 'Bench', airTempC: 22, container: 'tub' }, [1, 1.5, 2.5]),
        work('divide-ball', 'ball', 10, { perHundredBallsMin: 40 }),
        work('chill', 'cold', 8),
        rest('cold', { place: 'Walk-in', airTempC: 3.5, container: 'lidded-tray' }, [20, 42, 66]),
        work('pull', 'cold', 8),
        rest(
          'temper',
          { place: 'Oven side', airTempC: 23, container: 'lidded-tray' },
          [1.5, 2.5, 4],
        ),
      ],
    },
  ],
  formulas: [
    {
      name: 'House dough',
      code: 'HD',
      doughTempC: 24,
      formula: {
        flours: [{ ...flour, percent: 100 }],
        waterPercent: 63,
        saltPercent: 2.6,
        yeast: { form: 'fresh', percent: 0.4 },
      },
      method: saltInWater,
      mixer: '30 kg spiral',
    },
  ],
  products: [
    {
      name: 'Round',
      formula: 'HD',
      route: 'Two nights cold',
      ballWeightG: 270,
      trimPercent: 0,
      ballsPerTray: 12,
      isFromRemainders: false,
      target: STANDARD_TARGET,
    },
    {
      name: 'Small Round',
      formula: 'HD',
      route: 'Two nights cold',
      ballWeightG: 150,
      trimPercent: 0,
      ballsPerTray: 20,
      isFromRemainders: false,
      target: STANDARD_TARGET,
    },
  ],
  services: [
    {
      name: 'Lunch',
      weekdays: TUE_TO_SUN,
      startMin: at(12),
      endMin: at(14, 30),
      usual: { Round: 40, 'Small Round': 10 },
    },
    {
      name: 'Dinner',
      weekdays: TUE_TO_SUN,
      startMin: at(18),
      endMin: at(22, 30),
      usual: { Round: 90, 'Small Round': 20 },
    },
  ],
  owner: {
    skills: ['mix', 'ball', 'cold', 'oven'],
    shifts: [
      { weekdays: [1], startMin: at(9), endMin: at(17) },
      { weekdays: TUE_TO_SUN, startMin: at(9), endMin: at(19) },
    ],
  },
};
