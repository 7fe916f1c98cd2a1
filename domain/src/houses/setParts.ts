import type { Method, PantryItem, PlaceContent } from '@calm/contract';
import type { RestStage, Skill, WorkStage } from '@calm/core';

/** Minutes from midnight. */
export const at = (hour: number, minute = 0): number => hour * 60 + minute;

/** A step that somebody does. */
export const work = (
  key: WorkStage['key'],
  skill: Skill,
  fixedMin: number,
  more: Partial<WorkStage['rate']> = {},
): WorkStage => ({ kind: 'work', key, skill, people: 1, rate: { fixedMin, ...more } });

/** A step that time does. @param hours least, preferred, most */
export const rest = (
  key: RestStage['key'],
  { place, airTempC, container }: Pick<RestStage, 'place' | 'airTempC' | 'container'>,
  [least, preferred, most]: readonly [number, number, number],
): RestStage => ({
  kind: 'rest',
  key,
  place,
  airTempC,
  container,
  hours: { least, preferred, most },
});

/** A place that is not cooled, of one zone. @param air how warm it is there, from which hour on, °C */
export const warmPlace = (
  name: string,
  room: {
    readonly zone: string;
    readonly positions: number;
    readonly traysAPosition: number;
    readonly tubs: number;
  },
  air: readonly (readonly [fromHour: number, airC: number])[],
): PlaceContent => ({
  name,
  zones: [{ name: room.zone, positions: room.positions, warmerC: 0 }],
  traysAPosition: room.traysAPosition,
  tubs: room.tubs,
  room: null,
  airByHour: air.map(([hour, airC]) => ({ fromMin: at(hour), airC })),
});

const wheat = 'wheat (gluten)';

/** What every house of flour, water, salt, yeast and oil buys; prices are the house's own to type. */
export const basicPantry = (flour: {
  name: string;
  strengthW: number;
  proteinPercent: number;
}): Omit<PantryItem, 'id' | 'version'>[] => [
  { ...flour, bagKg: 25, allergens: [wheat] },
  { name: 'salt', bagKg: 10, allergens: [] },
  { name: 'oil', bagKg: 5, allergens: [] },
  { name: 'fresh yeast', bagKg: 0.5, allergens: [] },
  { name: 'instant yeast', bagKg: 0.5, allergens: [] },
];

/** Everything in the bowl but the oil, which goes in once the dough holds together. */
export const oilLate: Method = {
  name: 'Oil late',
  why: 'Oil coats flour and slows its uptake of water, so it goes in once the dough holds together.',
  steps: [
    {
      key: 'all',
      title: 'Flour, water, salt, yeast',
      detail: 'Water first, then yeast and flour, salt last. Guard down before it turns.',
      lookFor: 'No dry flour on the bottom of the bowl.',
      minutes: 5,
      speed: 'slow',
      caution: 'flour-dust',
    },
    {
      key: 'oil',
      title: 'Oil',
      detail: 'In a thin stream, until it is taken in.',
      lookFor: 'The bowl is dry again, nothing slides.',
      minutes: 2,
      speed: 'slow',
      caution: 'mixer',
    },
    {
      key: 'work',
      title: 'Work the dough',
      detail: 'Until the check says so; the clock is a guide.',
      lookFor: 'Smooth skin, comes off the bowl, light shows through a stretched piece.',
      minutes: 5,
      speed: 'fast',
      caution: 'mixer',
    },
  ],
};

/** Salt in the water, and a first handful of flour before the yeast. */
export const saltInWater: Method = {
  name: 'Salt in the water',
  why: 'The first flour thins the brine before the yeast meets it.',
  steps: [
    {
      key: 'brine',
      title: 'Water and salt',
      detail: 'Stir the salt in until none is left at the bottom.',
      lookFor: 'Clear, no grains.',
    },
    {
      key: 'first-flour',
      title: 'A tenth of the flour, then the yeast',
      detail: 'Stir to a thin batter and let the yeast spread in it.',
      minutes: 2,
      speed: 'slow',
      caution: 'flour-dust',
    },
    {
      key: 'rest-of-flour',
      title: 'The rest of the flour',
      detail: 'In three pours, each taken in before the next.',
      lookFor: 'No dry flour on the bottom of the bowl.',
      minutes: 6,
      speed: 'slow',
      caution: 'mixer',
    },
    {
      key: 'work',
      title: 'Work the dough',
      detail: 'Until the check says so; the clock is a guide.',
      lookFor: 'Smooth skin; a poke springs back; light shows through a stretched piece.',
      minutes: 5,
      speed: 'fast',
      caution: 'mixer',
    },
  ],
};

/** The pre-ferment loosened in the water, salt and oil late. */
export const prefermentFirst: Method = {
  name: 'Pre-ferment first',
  why: 'Loosened in the water it spreads through the whole dough; salt and oil wait until the flour has drunk.',
  steps: [
    {
      key: 'preferment-water',
      title: 'Pre-ferment and water',
      detail: 'Loosen the pre-ferment in the water with a few slow turns.',
      lookFor: 'Domed or just fallen; smells sweet and sharp, not of alcohol.',
      minutes: 2,
      speed: 'slow',
      caution: 'mixer',
    },
    {
      key: 'flour-yeast',
      title: 'Flour and yeast',
      detail:
        'Yeast on the flour, flour in low and slow. Then covered, mixer off, for a quarter of an hour.',
      minutes: 4,
      speed: 'slow',
      caution: 'flour-dust',
    },
    {
      key: 'salt-oil',
      title: 'Salt, then oil',
      detail: 'Salt on slow; once it is gone, the oil in a thin stream.',
      minutes: 4,
      speed: 'slow',
    },
    {
      key: 'work',
      title: 'Work the dough',
      detail: 'Until the check says so; the clock is a guide.',
      lookFor: 'Soft, shines, stretches without tearing.',
      minutes: 4,
      speed: 'fast',
      caution: 'mixer',
    },
  ],
};
