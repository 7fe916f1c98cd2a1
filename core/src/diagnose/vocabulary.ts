/** What is seen of dough that is not as it should be. */
export const FAULTS = [
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
] as const;
/** One of them. */
export type Fault = (typeof FAULTS)[number];

/** What may be behind it; `none` is chance. */
export const FAULT_CAUSES = [
  'yeast-dead',
  'yeast-short',
  'yeast-over',
  'water-too-hot',
  'too-cold',
  'too-warm',
  'too-young',
  'too-old',
  'just-shaped',
  'cold-core',
  'flour-weak',
  'flour-strong',
  'flour-changed',
  'salt-missing',
  'salt-double',
  'under-kneaded',
  'too-wet',
  'too-stiff',
  'seam-open',
  'uncovered',
  'sugar-gone',
  'sugar-high',
  'oven-cool',
  'salt-undissolved',
  'thick-or-short-bake',
  'not-weighed',
  'none',
] as const;
/** One of them. */
export type FaultCause = (typeof FAULT_CAUSES)[number];

/** What a record tells of a lot's dough, each as one number. */
export const SIGNS = [
  'yeast-weighed',
  'yeast-on-scale',
  'salt-weighed',
  'water-weighed',
  'water-temperature',
  'rise',
  'warmth',
  'core-at-opening',
  'age-at-opening',
  'since-shaping',
  'flour-strength',
  'flour-name',
  'sugar',
  'stretch',
  'cover',
  'skin',
  'seam',
  'wet-spots',
  'proof-test',
  'smell',
  'ball-weights',
  'oven-temperature',
  'bake-time',
] as const;
/** One of them. */
export type SignName = (typeof SIGNS)[number];

/** What settles whether a cause it was. */
export const SETTLES = [
  'proof-test',
  'weigh-record',
  'scale-step',
  'taste',
  'temperature-record',
  'core-thermometer',
  'window',
  'wait-and-open',
  'flour-sack',
  'stretch-test',
  'seam-check',
  'tray-lids',
  'oven-thermometer',
  'mixing-rest',
  'bake-clock',
  'weight-chart',
  'nothing',
] as const;
/** One of them. */
export type SettleBy = (typeof SETTLES)[number];
