import { USUAL_ROOM, type Target } from '@calm/core';
import type { HouseSet } from './houseSet';
import { at, basicPantry, prefermentFirst, rest, work, warmPlace } from './setParts';

const flour = { name: 'strong white', strengthW: 320, proteinPercent: 13 };
const MON_TO_SAT = [1, 2, 3, 4, 5, 6];

/** A pan dough is stretched in its pan and may rise further. */
const inThePan: Target = {
  riseMin: 1.4,
  riseMax: 2.8,
  risePeak: 2.05,
  openTempC: 16,
  maturityMinH: 6,
};

/** Pans by the slice, at noon and in the evening: a pre-ferment at closing, mixed next day, a night cold in the pan. */
export const panAndSlice: HouseSet = {
  settings: { ovens: [{ name: 'Deck oven', heatUpMin: 60, ballsPerHour: 30 }] },
  mixers: [{ name: '25 kg fork', kind: 'fork', minDoughKg: 4, maxDoughKg: 25, frictionC: 9 }],
  places: [
    {
      name: 'Upright fridge',
      zones: [{ name: 'shelves', positions: 18, warmerC: 0 }],
      traysAPosition: 2,
      tubs: 0,
      room: {
        ...USUAL_ROOM,
        heatCapacityJPerK: 90_000,
        lossWPerK: 6,
        doorWPerK: 40,
        coolingW: 600,
        setC: 4,
        defrost: null,
        zonesC: { shelves: 0 },
      },
      airByHour: [],
    },
    warmPlace('Bench', { zone: 'end', positions: 10, traysAPosition: 1, tubs: 8 }, [
      [7, 23],
      [22, 19],
    ]),
    warmPlace('Proof cabinet', { zone: 'inside', positions: 20, traysAPosition: 2, tubs: 0 }, [
      [0, 26],
    ]),
  ],
  pantry: basicPantry(flour),
  routes: [
    {
      name: 'Pre-ferment, one night in the pan',
      stages: [
        work('preferment-mix', 'mix', 15),
        rest('preferment', { place: 'Bench', airTempC: 20, container: 'tub' }, [12, 15, 18]),
        work('weigh', 'mix', 8, { perLoadMin: 5 }),
        work('mix', 'mix', 5, { perLoadMin: 25 }),
        rest('bulk', { place: 'Bench', airTempC: 23, container: 'tub' }, [1, 1.5, 3]),
        work('pan', 'ball', 10, { perHundredBallsMin: 90 }),
        work('chill', 'cold', 5),
        rest(
          'cold',
          { place: 'Upright fridge', airTempC: 4, container: 'lidded-tray' },
          [12, 17, 30],
        ),
        work('pull', 'cold', 5),
        rest(
          'temper',
          { place: 'Proof cabinet', airTempC: 26, container: 'lidded-tray' },
          [3, 4, 5.5],
        ),
      ],
    },
  ],
  formulas: [
    {
      name: 'Pan dough',
      code: 'PN',
      doughTempC: 25,
      formula: {
        flours: [{ ...flour, percent: 100 }],
        waterPercent: 70,
        saltPercent: 2.4,
        oilPercent: 2.5,
        yeast: { form: 'instant', percent: 0.12 },
        preferment: {
          name: 'poolish-type pre-ferment',
          flourSharePercent: 25,
          waterPercent: 100,
          yeast: { form: 'instant', percent: 0.04 },
        },
      },
      method: prefermentFirst,
      mixer: '25 kg fork',
    },
  ],
  products: [
    {
      name: 'Pan',
      formula: 'PN',
      route: 'Pre-ferment, one night in the pan',
      ballWeightG: 900,
      trimPercent: 0,
      ballsPerTray: 1,
      isFromRemainders: false,
      target: inThePan,
    },
  ],
  services: [
    {
      name: 'Noon',
      weekdays: MON_TO_SAT,
      startMin: at(11, 30),
      endMin: at(14, 30),
      usual: { Pan: 9 },
    },
    {
      name: 'Evening',
      weekdays: MON_TO_SAT,
      startMin: at(17),
      endMin: at(20),
      usual: { Pan: 9 },
    },
  ],
  owner: {
    skills: ['mix', 'ball', 'cold', 'oven'],
    shifts: [
      { weekdays: MON_TO_SAT, startMin: at(7), endMin: at(20, 30) },
      { weekdays: [7], startMin: at(9), endMin: at(20, 30) },
    ],
  },
};
