import { STANDARD_TARGET } from '@calm/core';
import type { HouseSet } from './houseSet';
import { at, basicPantry, rest, saltInWater, work, warmPlace } from './setParts';

const flour = { name: 'medium white', strengthW: 240, proteinPercent: 11.8 };
const FRI_TO_SUN = [5, 6, 7];

/** An oven on wheels: no cold at all, dough of the same day, as warm as the day is. */
export const mobileOven: HouseSet = {
  settings: {
    ovens: [{ name: 'Oven on wheels', heatUpMin: 45, ballsPerHour: 50 }],
    kitchen: { benchPlaces: 1, tubKg: 12, unsocialFromMin: at(22), unsocialUntilMin: at(6) },
    scaleReadabilityG: { default: 1, yeast: 0.1 },
  },
  mixers: [{ name: '20 kg spiral', kind: 'spiral', minDoughKg: 3, maxDoughKg: 20, frictionC: 13 }],
  places: [
    // A mild day outside; each season has its own.
    warmPlace('Van racks', { zone: 'racks', positions: 14, traysAPosition: 1, tubs: 6 }, [
      [0, 14],
      [8, 18],
      [11, 22],
      [18, 20],
      [22, 16],
    ]),
  ],
  pantry: basicPantry(flour),
  routes: [
    {
      name: 'Same day, no cold',
      stages: [
        work('weigh', 'mix', 5, { perLoadMin: 5 }),
        work('mix', 'mix', 5, { perLoadMin: 15 }),
        rest('bulk', { place: 'Van racks', airTempC: 20, container: 'tub' }, [1, 2, 3]),
        work('divide-ball', 'ball', 5, { perHundredBallsMin: 45 }),
        rest('temper', { place: 'Van racks', airTempC: 22, container: 'lidded-tray' }, [3, 4, 6]),
      ],
    },
  ],
  formulas: [
    {
      name: 'Market dough',
      code: 'MK',
      doughTempC: 24,
      formula: {
        flours: [{ ...flour, percent: 100 }],
        waterPercent: 60,
        saltPercent: 2.7,
        yeast: { form: 'fresh', percent: 0.5 },
      },
      method: saltInWater,
      mixer: '20 kg spiral',
    },
  ],
  products: [
    {
      name: 'Market Round',
      formula: 'MK',
      route: 'Same day, no cold',
      ballWeightG: 250,
      trimPercent: 0,
      ballsPerTray: 12,
      isFromRemainders: false,
      target: STANDARD_TARGET,
    },
  ],
  services: [
    {
      name: 'Market',
      weekdays: FRI_TO_SUN,
      startMin: at(17),
      endMin: at(21),
      usual: { 'Market Round': 70 },
    },
  ],
  owner: {
    skills: ['mix', 'ball', 'cold', 'oven'],
    shifts: [{ weekdays: FRI_TO_SUN, startMin: at(8), endMin: at(21, 30) }],
  },
};
