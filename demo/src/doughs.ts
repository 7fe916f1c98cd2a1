import type { Formula, Route } from '@calm/core';

const strongWhite = { name: 'strong white', strengthW: 340, proteinPercent: 13.5 };
const mediumWhite = { name: 'medium white', strengthW: 220, proteinPercent: 11.5 };

export const yardDough: Formula = {
  flours: [{ ...strongWhite, percent: 100 }],
  waterPercent: 62,
  saltPercent: 2.6,
  yeast: { form: 'fresh', percent: 0.4 },
};

export const slabDough: Formula = {
  flours: [
    { ...strongWhite, percent: 80 },
    { ...mediumWhite, percent: 20 },
  ],
  waterPercent: 70,
  saltPercent: 2.4,
  oilPercent: 2.5,
  yeast: { form: 'instant', percent: 0.11 },
  preferment: {
    name: 'poolish-type pre-ferment',
    flourSharePercent: 25,
    waterPercent: 100,
    yeast: { form: 'instant', percent: 0.04 },
  },
};

export const crackleDough: Formula = {
  flours: [{ ...mediumWhite, percent: 100 }],
  waterPercent: 52,
  saltPercent: 2.2,
  sugarPercent: 1,
  oilPercent: 3,
  additions: [
    {
      name: 'barley malt flour',
      percent: 0.5,
      composition: { waterPercent: 5, saltPercent: 0, fatPercent: 2, sugarPercent: 10 },
    },
  ],
  yeast: { form: 'instant', percent: 0.06 },
};

/** Mixed at midday two days ahead, balled, two nights cold. */
export const twoNightsCold: Route = [
  { kind: 'work', key: 'weigh', skill: 'mix', people: 1, rate: { fixedMin: 10, perLoadMin: 4 } },
  { kind: 'work', key: 'mix', skill: 'mix', people: 1, rate: { fixedMin: 6, perLoadMin: 16 } },
  {
    kind: 'rest',
    key: 'bulk',
    place: 'Bench',
    airTempC: 22,
    container: 'tub',
    cover: 'lid',
    hours: { least: 1, preferred: 1.5, most: 2.5 },
  },
  {
    kind: 'work',
    key: 'divide-ball',
    skill: 'ball',
    people: 2,
    rate: { fixedMin: 10, perHundredBallsMin: 22 },
  },
  { kind: 'work', key: 'chill', skill: 'cold', people: 1, rate: { fixedMin: 10 } },
  {
    kind: 'rest',
    key: 'cold',
    under: 'semolina',
    place: 'Walk-in',
    airTempC: 3.5,
    container: 'lidded-tray',
    hours: { least: 24, preferred: 42, most: 66 },
  },
  { kind: 'work', key: 'pull', skill: 'cold', people: 1, rate: { fixedMin: 10 } },
  {
    kind: 'rest',
    key: 'temper',
    place: 'Oven side',
    airTempC: 23,
    container: 'lidded-tray',
    hours: { least: 1.5, preferred: 2.5, most: 4 },
  },
];

/** Pre-ferment at close, mixed next afternoon, panned, one night cold. */
export const slabRoute: Route = [
  { kind: 'work', key: 'preferment-mix', skill: 'mix', people: 1, rate: { fixedMin: 15 } },
  {
    kind: 'rest',
    key: 'preferment',
    place: 'Bench',
    airTempC: 19,
    container: 'tub',
    cover: 'lid',
    hours: { least: 12, preferred: 16, most: 18 },
  },
  { kind: 'work', key: 'weigh', skill: 'mix', people: 1, rate: { fixedMin: 8, perLoadMin: 5 } },
  { kind: 'work', key: 'mix', skill: 'mix', people: 1, rate: { fixedMin: 5, perLoadMin: 30 } },
  {
    kind: 'rest',
    key: 'bulk',
    place: 'Bench',
    airTempC: 22,
    container: 'tub',
    cover: 'lid',
    hours: { least: 1.5, preferred: 2, most: 3 },
  },
  {
    kind: 'work',
    key: 'pan',
    skill: 'ball',
    people: 1,
    rate: { fixedMin: 10, perHundredBallsMin: 90 },
  },
  { kind: 'work', key: 'chill', skill: 'cold', people: 1, rate: { fixedMin: 5 } },
  {
    kind: 'rest',
    key: 'cold',
    place: 'Walk-in',
    airTempC: 3.5,
    container: 'lidded-tray',
    hours: { least: 12, preferred: 16, most: 30 },
  },
  { kind: 'work', key: 'pull', skill: 'cold', people: 1, rate: { fixedMin: 5 } },
  {
    kind: 'rest',
    key: 'temper',
    place: 'Proof cabinet',
    airTempC: 26,
    container: 'lidded-tray',
    hours: { least: 2, preferred: 3, most: 4 },
  },
];

/** Stiff, one night cold, sheeted just before doors. */
export const crackleRoute: Route = [
  { kind: 'work', key: 'weigh', skill: 'mix', people: 1, rate: { fixedMin: 8, perLoadMin: 4 } },
  { kind: 'work', key: 'mix', skill: 'mix', people: 1, rate: { fixedMin: 4, perLoadMin: 28 } },
  {
    kind: 'rest',
    key: 'bulk',
    place: 'Bench',
    airTempC: 22,
    container: 'tub',
    cover: 'lid',
    hours: { least: 0.5, preferred: 0.75, most: 1.5 },
  },
  {
    kind: 'work',
    key: 'divide-ball',
    skill: 'ball',
    people: 1,
    rate: { fixedMin: 8, perHundredBallsMin: 30 },
  },
  { kind: 'work', key: 'chill', skill: 'cold', people: 1, rate: { fixedMin: 5 } },
  {
    kind: 'rest',
    key: 'cold',
    place: 'Under-counter',
    airTempC: 4,
    container: 'lidded-tray',
    hours: { least: 12, preferred: 20, most: 44 },
  },
  { kind: 'work', key: 'pull', skill: 'cold', people: 1, rate: { fixedMin: 5 } },
  {
    kind: 'rest',
    key: 'temper',
    place: 'Bench',
    airTempC: 22,
    container: 'lidded-tray',
    hours: { least: 0.5, preferred: 1, most: 2 },
  },
  {
    kind: 'work',
    key: 'sheet',
    skill: 'sheet',
    people: 1,
    rate: { fixedMin: 10, perHundredBallsMin: 45 },
  },
];
