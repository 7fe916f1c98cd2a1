import type { Method } from '@calm/contract';

/** Salt in the water first: the house's way with its lean, long dough. */
export const saltFirst: Method = {
  name: 'Salt in water, yeast after a tenth of the flour',
  why: 'The first flour thins the brine before the yeast meets it. At dough strength salt slows yeast but does not kill it.',
  steps: [
    {
      key: 'water-salt',
      title: 'Water and salt into the bowl',
      detail: 'Pour the water at its temperature, ice included. Stir the salt in until it is gone.',
      adds: [
        { kind: 'water', percent: 100 },
        { kind: 'salt', percent: 100 },
      ],
      lookFor: 'No grains on the bottom: they leave wet spots and blisters.',
      caution: 'mixer',
    },
    {
      key: 'first-flour',
      title: 'A tenth of the flour',
      detail: 'Pour low and slow. Mix on slow until it is a thin batter.',
      adds: [{ kind: 'flour', percent: 10 }],
      minutes: 1,
      speed: 'slow',
      caution: 'flour-dust',
    },
    {
      key: 'yeast',
      title: 'Yeast',
      detail: 'Crumble it into the batter and let it spread.',
      adds: [{ kind: 'yeast', percent: 100 }],
      minutes: 1,
      speed: 'slow',
    },
    {
      key: 'flour',
      title: 'The rest of the flour',
      detail: 'In two goes, guard down. Hold a handful back until you see how it takes.',
      adds: [{ kind: 'flour', percent: 90 }],
      minutes: 5,
      speed: 'slow',
      caution: 'lifting',
    },
    {
      key: 'develop',
      title: 'Work the dough',
      detail: 'Fast until it holds. The clock is a guide, the check decides.',
      lookFor:
        'Comes clean off the bowl, smooth skin, a poke springs back, light shows through a stretched piece. If it tears: ten minutes rest, two minutes more.',
      minutes: 5,
      leastMinutes: 4,
      speed: 'fast',
    },
  ],
};

/** Pan dough on a pre-ferment, oil late. */
export const prefermentOilLate: Method = {
  name: 'Pre-ferment first, oil late',
  why: 'Oil coats flour and slows its uptake, so it goes in once the dough holds together.',
  ahead: [
    {
      key: 'water-yeast',
      title: 'Water and yeast',
      detail: 'Into the tall tub. A few crumbs of yeast are enough: stir until they are gone.',
      adds: [
        { kind: 'water', percent: 100 },
        { kind: 'yeast', percent: 100 },
      ],
    },
    {
      key: 'flour',
      title: 'Flour',
      detail: 'Pour low, stir with the long spoon until no dry flour is left.',
      adds: [{ kind: 'flour', percent: 100 }],
      minutes: 3,
      speed: 'hand',
      caution: 'flour-dust',
    },
    {
      key: 'cover',
      title: 'Cover, band at the height',
      detail: 'Lid on loosely, on the bench away from the oven.',
    },
  ],
  steps: [
    {
      key: 'preferment-water',
      title: 'Pre-ferment and water',
      detail: 'Loosen the pre-ferment in the water with a few slow turns.',
      adds: [
        { kind: 'preferment', percent: 100 },
        { kind: 'water', percent: 100 },
      ],
      lookFor: 'Domed or just fallen, smells sweet and sharp, not of alcohol.',
      minutes: 2,
      speed: 'slow',
      caution: 'mixer',
    },
    {
      key: 'flour-yeast',
      title: 'Flour and yeast',
      detail: 'Yeast on the flour, flour in low and slow.',
      adds: [
        { kind: 'flour', percent: 100 },
        { kind: 'yeast', percent: 100 },
      ],
      minutes: 4,
      speed: 'slow',
      caution: 'flour-dust',
    },
    {
      key: 'rest',
      title: 'Rest in the bowl',
      detail: 'Covered, mixer off. Part of the kneading happens by itself.',
      minutes: 15,
    },
    {
      key: 'salt',
      title: 'Salt',
      detail: 'Sprinkle it in on slow.',
      adds: [{ kind: 'salt', percent: 100 }],
      minutes: 2,
      speed: 'slow',
    },
    {
      key: 'oil',
      title: 'Oil in a thin stream',
      detail: 'On fast, along the side of the bowl, until it is taken up.',
      adds: [{ kind: 'oil', percent: 100 }],
      lookFor: 'Silky, pulls into strands, still moves when the bowl is tipped.',
      minutes: 4,
      speed: 'fast',
    },
  ],
};

/** Stiff sheeted dough: everything dry first, short. */
export const dryFirst: Method = {
  name: 'Everything dry first',
  why: 'A stiff dough takes its water best when salt, sugar and yeast are spread through the flour.',
  steps: [
    {
      key: 'dry',
      title: 'Flour, salt, sugar and yeast',
      detail: 'Into the bowl, slow turns to spread them.',
      adds: [
        { kind: 'flour', percent: 100 },
        { kind: 'salt', percent: 100 },
        { kind: 'sugar', percent: 100 },
        { kind: 'yeast', percent: 100 },
        { kind: 'addition', percent: 100 },
      ],
      minutes: 1,
      speed: 'slow',
      caution: 'flour-dust',
    },
    {
      key: 'water-oil',
      title: 'Water and oil',
      detail: 'All at once, guard down.',
      adds: [
        { kind: 'water', percent: 100 },
        { kind: 'oil', percent: 100 },
      ],
      minutes: 4,
      speed: 'slow',
      caution: 'mixer',
    },
    {
      key: 'rest',
      title: 'Rest in the bowl',
      detail: 'Covered. It looks dry now and comes together by itself.',
      minutes: 20,
    },
    {
      key: 'finish',
      title: 'Finish',
      detail: 'Slow only: stiff dough strains the machine. Stop if it climbs or labours.',
      lookFor: 'No dry flour, dense and even. Not smooth yet: the sheeter does that.',
      minutes: 3,
      speed: 'slow',
    },
  ],
};
