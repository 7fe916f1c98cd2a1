import type * as core from '@calm/core';

/*
 * The engine's words, limits and standard values, as schemas need them. The contract takes nothing of the
 * core but types: each of these has the core's literal type, so that a value that differs does not compile.
 */

export const YEAST_FORMS: typeof core.YEAST_FORMS = ['fresh', 'active-dry', 'instant'];

/** What a look at dough finds, and how balls opened. */
export const LOOKS: typeof core.LOOKS = ['early', 'right', 'late'];
/** What dough is read as. */
export const DOUGH_FORMS: typeof core.DOUGH_FORMS = ['ball', 'tub'];
/** How warm a room is against what a route takes it to be. */
export const WARMTHS: typeof core.WARMTHS = ['cool', 'usual', 'warm'];
export const OPENINGS: typeof core.OPENINGS = ['well', 'tears', 'springs-back', 'sticks', 'slack'];
export const YEAST_PROOFS: typeof core.YEAST_PROOFS = ['domed', 'foam', 'bubbles', 'nothing'];
/** What is seen of dough that is not as it should be. */
export const FAULTS: typeof core.FAULTS = [
  'did-not-rise',
  'rose-and-fell',
  'springs-back',
  'tears',
  'sticky-slack',
  'dry-skin',
  'pale',
  'dark-blistered',
  'big-bubbles',
  'gummy',
  'sour',
  'tastes-of-yeast',
  'uneven-balls',
  'differs-from-last',
];
export const SKILLS: typeof core.SKILLS = ['mix', 'ball', 'sheet', 'cold', 'oven'];

export const WORK_KEYS: typeof core.WORK_KEYS = [
  'preferment-mix',
  'weigh',
  'mix',
  'divide-ball',
  'sheet',
  'pan',
  'chill',
  'pull',
];

export const REST_KEYS: typeof core.REST_KEYS = ['preferment', 'rest', 'bulk', 'cold', 'temper'];

export const CONTAINERS: typeof core.CONTAINERS = [
  'tub',
  'single-tub',
  'lidded-tray',
  'stacked-tray',
  'open-tray',
];

export const COVERS: typeof core.COVERS = ['lid', 'film', 'damp-cloth', 'none'];
export const UNDERS: typeof core.UNDERS = ['flour', 'semolina', 'oil', 'none'];

export const SHAPINGS: typeof core.SHAPINGS = ['ball', 'knock-back', 'gentle'];

export const LINE_KINDS: typeof core.LINE_KINDS = [
  'flour',
  'water',
  'salt',
  'sugar',
  'oil',
  'addition',
  'yeast',
  'preferment',
  'old-dough',
];
/** What can be done with dough that waits. */
export const ACTIONS: typeof core.ACTIONS = [
  'keep',
  'use-first',
  'pull-now',
  'pull-later',
  'colder',
  'warmer',
  'chill',
  're-ball',
  'flatter',
  'old-dough',
  'staff',
  'discard',
];
/** What is seen of dough that is not where it should be. */
export const DOUGH_TROUBLES: typeof core.DOUGH_TROUBLES = ['ahead', 'behind', 'over-proofed'];

export const CAUSES: typeof core.CAUSES = [
  'power',
  'compressor',
  'door',
  'warm-load',
  'defrost',
  'heat',
  'probe',
];

/** Longest stage, h. */
export const MOST_STAGE_HOURS: typeof core.MOST_STAGE_HOURS = 240;
/** Air that dough can stand in, °C. */
export const AIR_LIMITS_C: typeof core.AIR_LIMITS_C = { least: -5, most: 45 };
/** Dough off a mixer, °C. */
export const DOUGH_LIMITS_C: typeof core.DOUGH_LIMITS_C = { least: 1, most: 40 };
export const BALL_LIMITS_G: typeof core.BALL_LIMITS_G = { least: 20, most: 5000 };
export const BULK_LIMITS_KG: typeof core.BULK_LIMITS_KG = { least: 0.05, most: 500 };
export const UNTIL_RISE_LIMITS: typeof core.UNTIL_RISE_LIMITS = { least: 1.01, most: 4 };

export const STANDARD_TARGET: typeof core.STANDARD_TARGET = {
  riseMin: 1.6,
  riseMax: 2.5,
  risePeak: 2,
  openTempC: 12,
  maturityMinH: 0,
};

export const STANDARD_WEIGHTS: typeof core.STANDARD_WEIGHTS = {
  quality: 100,
  unsocial: 8,
  mix: 40,
  change: 1,
};

export const STANDARD_ALARM_RULES: typeof core.STANDARD_ALARM_RULES = {
  limitC: 5,
  overMin: 30,
  silentMin: 20,
};
