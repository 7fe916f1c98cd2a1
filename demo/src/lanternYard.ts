import { type Role, STANDARD_KITCHEN, type HouseSettings, type PlaceContent } from '@calm/contract';
import {
  STANDARD_DERATING,
  STANDARD_TARGET,
  STANDARD_YEAST_CONVERSION,
  USUAL_ROOM,
  USUAL_UNDER_COUNTER,
  type Pantry,
  type Route,
  type Skill,
  type Target,
} from '@calm/core';
import {
  crackleDough,
  crackleRoute,
  slabDough,
  slabRoute,
  twoNightsCold,
  yardDough,
} from './doughs';
import { dryFirst, prefermentOilLate, saltFirst } from './methods';

/*
 * Lantern Yard, a made-up pizzeria in the made-up harbour town of Ostrel. Everything about it is
 * invented. Keys here are turned into ids when it is loaded.
 */

export const HOUSE_NAME = 'Lantern Yard';
export const TIME_ZONE = 'Europe/Copenhagen';

export const settings: HouseSettings = {
  ovens: [
    { name: 'Stone oven', heatUpMin: 120, ballsPerHour: 50 },
    { name: 'Deck oven', heatUpMin: 60, ballsPerHour: 45 },
  ],
  residuePercent: 0.8,
  residuePerLoadG: 60,
  scaleReadabilityG: { default: 1, yeast: 0.1 },
  yeastConversion: STANDARD_YEAST_CONVERSION,
  derating: STANDARD_DERATING,
  pourBy: 'learned',
  baseSumC: 57,
  usualTempsC: { room: 22, flour: 21, tap: 14, preferment: 19 },
  ballTolerancePercent: 2.5,
  kitchen: {
    ...STANDARD_KITCHEN,
    benchPlaces: 3,
    tubLitres: 30,
    trayCm: { length: 60, width: 40 },
  },
};

export const mixers = [
  {
    key: 'spiral',
    name: '40 kg spiral',
    kind: 'spiral',
    minDoughG: 6000,
    maxDoughG: 40_000,
    frictionC: 14,
  },
  {
    key: 'planetary',
    name: '12 kg planetary',
    kind: 'planetary',
    minDoughG: 1500,
    maxDoughG: 12_000,
    frictionC: 10,
  },
] as const;

const zone = (name: string, positions: number, warmerC = 0) => ({ name, positions, warmerC });

/** Where dough stands. Lidded trays go two to a position. */
/** The kitchen in its cold months: ovens on by day, nobody there at night. */
const KITCHEN_AIR = [
  { fromMin: 8 * 60, airC: 22 },
  { fromMin: 23 * 60, airC: 18 },
];

export const places: readonly PlaceContent[] = [
  {
    name: 'Walk-in',
    zones: [zone('door', 16, 0.8), zone('middle', 16), zone('back', 16, -0.4)],
    traysAPosition: 2,
    tubs: 6,
    room: {
      ...USUAL_ROOM,
      coolingW: 1500,
      setC: 3.5,
      defrost: { everyH: 8, minutes: 20, heaterW: 600, phaseH: 2.5 },
      zonesC: { door: 0.8, middle: 0, back: -0.4 },
    },
    airByHour: [],
  },
  {
    name: 'Under-counter',
    zones: [zone('inside', 6)],
    traysAPosition: 2,
    tubs: 0,
    room: USUAL_UNDER_COUNTER,
    airByHour: [],
  },
  {
    name: 'Proof cabinet',
    zones: [zone('inside', 14)],
    traysAPosition: 2,
    tubs: 0,
    room: null,
    airByHour: [{ fromMin: 0, airC: 27 }],
  },
  {
    name: 'Bench',
    zones: [zone('end', 8)],
    traysAPosition: 1,
    tubs: 14,
    room: null,
    airByHour: KITCHEN_AIR,
  },
  {
    name: 'Oven side',
    zones: [zone('racks', 24)],
    traysAPosition: 2,
    tubs: 0,
    room: null,
    airByHour: [
      { fromMin: 10 * 60, airC: 24 },
      { fromMin: 23 * 60, airC: 20 },
    ],
  },
];

/** What each mixer really adds to each dough; the log shows it, the mixer's set value is off. */
export const trueFrictionC: Readonly<Record<string, number>> = {
  'yard-dough': 15.4,
  'slab-dough': 19.2,
  'crackle-dough': 11.6,
};

export const routes: readonly { key: string; name: string; stages: Route }[] = [
  { key: 'two-nights', name: 'Two nights cold', stages: twoNightsCold },
  { key: 'slab', name: 'Pre-ferment, one night in the pan', stages: slabRoute },
  { key: 'crackle', name: 'One night, sheeted', stages: crackleRoute },
];

const wheat = 'wheat (gluten)';

/** What Lantern Yard buys, in its own money. */
export const pantry: Pantry = [
  {
    name: 'strong white',
    costPerKg: 1.15,
    bagKg: 25,
    storeKg: 85,
    allergens: [wheat],
    strengthW: 340,
    proteinPercent: 13.5,
    uptakeNote: 'Takes its water slowly: looks wet for the first five minutes.',
  },
  {
    name: 'medium white',
    costPerKg: 0.95,
    bagKg: 25,
    storeKg: 30,
    allergens: [wheat],
    strengthW: 220,
    proteinPercent: 11.5,
    uptakeNote: 'About two percent less water than the strong for the same feel.',
  },
  {
    name: 'barley malt flour',
    costPerKg: 3.8,
    bagKg: 1,
    storeKg: 0.4,
    allergens: ['barley (gluten)'],
    composition: { waterPercent: 5, saltPercent: 0, fatPercent: 2, sugarPercent: 10 },
  },
  {
    name: 'whole milk',
    costPerKg: 1.1,
    bagKg: 1,
    allergens: ['milk'],
    composition: { waterPercent: 88, saltPercent: 0, fatPercent: 3.5, sugarPercent: 4.8 },
    // By the made-up code of Ostrel.
    holding: { aboveC: 8, mostMin: 240 },
  },
  { name: 'salt', costPerKg: 0.45, bagKg: 10, storeKg: 6.5, allergens: [] },
  { name: 'sugar', costPerKg: 1.1, bagKg: 5, storeKg: 3, allergens: [] },
  { name: 'oil', costPerKg: 6.2, bagKg: 5, storeKg: 4, allergens: [] },
  { name: 'fresh yeast', costPerKg: 3.4, bagKg: 0.5, storeKg: 0.7, allergens: [] },
  { name: 'instant yeast', costPerKg: 9.5, bagKg: 0.5, storeKg: 0.2, allergens: [] },
];

export const formulas = [
  {
    key: 'yard-dough',
    code: 'YR',
    name: 'Yard dough',
    formula: yardDough,
    doughTempC: 24,
    method: saltFirst,
    mixer: 'spiral',
    allergens: [wheat],
  },
  {
    key: 'slab-dough',
    code: 'SL',
    name: 'Slab dough',
    formula: slabDough,
    doughTempC: 25,
    method: prefermentOilLate,
    mixer: 'spiral',
    allergens: [wheat],
  },
  {
    key: 'crackle-dough',
    code: 'CR',
    name: 'Crackle dough',
    formula: crackleDough,
    doughTempC: 23,
    method: dryFirst,
    mixer: 'planetary',
    allergens: [wheat, 'barley (gluten)'],
  },
] as const;

/** A pan dough is stretched in its pan and may rise further. */
const inThePan: Target = {
  riseMin: 1.5,
  riseMax: 2.7,
  risePeak: 2.05,
  openTempC: 16,
  maturityMinH: 8,
};
/** Sheeted dough wants to be flat: a low band, and cooler to go through the rollers. */
const toBeSheeted: Target = {
  riseMin: 1.05,
  riseMax: 1.6,
  risePeak: 1.2,
  openTempC: 12,
  maturityMinH: 5,
};

export const products = [
  {
    key: 'yard-round',
    name: 'Yard Round',
    formula: 'yard-dough',
    route: 'two-nights',
    target: STANDARD_TARGET,
    ballWeightG: 275,
    trimPercent: 0,
    ballsPerTray: 12,
    isFromRemainders: false,
  },
  {
    key: 'slab',
    name: 'Slab',
    formula: 'slab-dough',
    route: 'slab',
    target: inThePan,
    ballWeightG: 820,
    trimPercent: 0,
    ballsPerTray: 2,
    isFromRemainders: false,
  },
  {
    key: 'crackle',
    name: 'Crackle',
    formula: 'crackle-dough',
    route: 'crackle',
    target: toBeSheeted,
    ballWeightG: 190,
    trimPercent: 7,
    ballsPerTray: 15,
    isFromRemainders: false,
  },
  {
    key: 'sprout',
    name: 'Sprout',
    formula: 'yard-dough',
    route: 'two-nights',
    target: STANDARD_TARGET,
    ballWeightG: 140,
    trimPercent: 0,
    ballsPerTray: 20,
    isFromRemainders: true,
  },
] as const;

const at = (hour: number, minute = 0) => hour * 60 + minute;
const TUE_TO_SUN = [2, 3, 4, 5, 6, 7];
const WED_TO_SUN = [3, 4, 5, 6, 7];

export const services = [
  ...WED_TO_SUN.map((weekday) => ({ name: 'Lunch', weekday, startMin: at(12), endMin: at(15) })),
  ...TUE_TO_SUN.map((weekday) => ({
    name: 'Dinner',
    weekday,
    startMin: at(17, 30),
    endMin: at(22, 30),
  })),
];

/** Usual balls by service and weekday, Monday first. */
export const usual: Readonly<Record<string, Readonly<Record<string, readonly number[]>>>> = {
  Lunch: {
    'yard-round': [0, 0, 56, 60, 72, 94, 98],
    slab: [0, 0, 6, 6, 8, 10, 12],
    crackle: [0, 0, 18, 18, 22, 26, 24],
    sprout: [0, 0, 4, 4, 6, 14, 16],
  },
  Dinner: {
    'yard-round': [0, 96, 108, 116, 168, 186, 124],
    slab: [0, 8, 8, 10, 14, 16, 10],
    crackle: [0, 24, 28, 30, 42, 46, 30],
    sprout: [0, 6, 6, 8, 10, 16, 14],
  },
};

export const crew: readonly {
  name: string;
  initials: string;
  skills: Skill[];
  role: Role;
  /** A password for managers, a PIN for others; the demo's sign-in page shows them all. */
  secret: string;
  shifts: readonly { weekdays: readonly number[]; from: number; to: number }[];
}[] = [
  {
    name: 'Maro',
    initials: 'MA',
    role: 'manager',
    secret: 'ostrel harbour',
    skills: ['mix', 'ball', 'cold'],
    shifts: [
      { weekdays: [1], from: at(10), to: at(18) },
      { weekdays: [2, 3, 4, 5], from: at(9), to: at(17) },
    ],
  },
  {
    name: 'Tilde',
    initials: 'TI',
    role: 'hand',
    secret: '2741',
    skills: ['ball', 'sheet', 'cold'],
    shifts: [
      { weekdays: [1, 3, 4, 5], from: at(10), to: at(18) },
      { weekdays: [6], from: at(9), to: at(15) },
    ],
  },
  {
    name: 'Ossian',
    initials: 'OS',
    role: 'hand',
    secret: '3852',
    skills: ['mix', 'ball', 'cold'],
    shifts: [
      { weekdays: [2, 3, 4, 5, 6], from: at(11), to: at(19) },
      { weekdays: [7], from: at(14), to: at(22, 30) },
    ],
  },
  {
    name: 'Wren',
    initials: 'WR',
    role: 'oven',
    secret: '4963',
    skills: ['mix', 'sheet', 'cold', 'oven'],
    shifts: [{ weekdays: TUE_TO_SUN, from: at(16), to: at(24) }],
  },
  {
    name: 'Bashir',
    initials: 'BA',
    role: 'hand',
    secret: '5174',
    skills: ['sheet', 'cold', 'oven'],
    shifts: [
      { weekdays: WED_TO_SUN, from: at(8), to: at(16) },
      { weekdays: [2], from: at(12), to: at(20) },
    ],
  },
];

/** The last shift's word to the next: yesterday's closing, read this morning. */
export function handover(now: Date) {
  const hours = (h: number) => new Date(now.getTime() - h * 3_600_000);
  return {
    at: hours(17),
    by: 'Wren',
    readAt: hours(6.5),
    readBy: 'Maro',
    lines: [
      { part: 'running', text: 'Yard Round for Thursday: in the cold since 20:10, back zone.' },
      { part: 'changed', text: 'Crackle was balled 25 min late; its window moved with it.' },
      { part: 'watch', text: 'Door side of the walk-in ran at 5.8 °C while we loaded.' },
    ] as const,
    note: 'Semolina is nearly out.',
  };
}
