import type { FaultCause, Fault, SettleBy, SignName } from './vocabulary';

/**
 * What to suspect of each fault, the likeliest first, with how often the cause shows itself so. By the craft's own
 * table; shares are starting values.
 */
export const SUSPECTS: Readonly<Record<Fault, Readonly<Partial<Record<FaultCause, number>>>>> = {
  'did-not-rise': {
    'yeast-dead': 0.8,
    'water-too-hot': 0.7,
    'too-cold': 0.5,
    'yeast-short': 0.6,
    'salt-double': 0.4,
  },
  'rose-and-fell': { 'yeast-over': 0.5, 'too-warm': 0.4, 'flour-weak': 0.3, 'too-old': 0.25 },
  'springs-back': {
    'cold-core': 0.4,
    'too-young': 0.45,
    'just-shaped': 0.8,
    'flour-strong': 0.6,
    'too-stiff': 0.3,
    'too-cold': 0.2,
  },
  tears: { 'too-old': 0.3, 'flour-weak': 0.4, 'under-kneaded': 0.6, 'seam-open': 0.7 },
  'sticky-slack': { 'too-warm': 0.3, 'too-old': 0.25, 'too-wet': 0.7, 'salt-missing': 0.5 },
  'dry-skin': { uncovered: 0.9 },
  pale: { 'sugar-gone': 0.6, 'oven-cool': 0.5, 'too-old': 0.1 },
  'dark-blistered': { 'cold-core': 0.2, 'sugar-high': 0.8, 'too-old': 0.08 },
  'big-bubbles': { 'cold-core': 0.25, 'salt-undissolved': 0.7, 'yeast-over': 0.2 },
  gummy: { 'too-young': 0.3, 'thick-or-short-bake': 0.8, 'oven-cool': 0.3, 'cold-core': 0.1 },
  sour: { 'too-old': 0.25, 'too-warm': 0.2, 'sugar-gone': 0.2 },
  'tastes-of-yeast': { 'yeast-over': 0.4, 'too-young': 0.1, 'salt-missing': 0.1 },
  'uneven-balls': { 'not-weighed': 0.9 },
  'differs-from-last': {
    'flour-changed': 0.8,
    'too-warm': 0.15,
    'too-cold': 0.15,
    'yeast-over': 0.1,
    'yeast-short': 0.15,
    'too-wet': 0.15,
    'too-stiff': 0.5,
    'flour-weak': 0.1,
    'flour-strong': 0.15,
    'oven-cool': 0.1,
  },
};

/** A cause that is not suspected of a fault may be behind it all the same; so may chance. */
export const UNSUSPECTED = 0.02;
export const BY_CHANCE = 0.07;

/** How a sign lies: about a mean, or yes (1) so often. */
export type Spread = { readonly mean: number; readonly sd: number } | { readonly yes: number };

/** What a sign shows of sound dough, and under each cause that shows in it; starting values. */
export interface SignSpreads {
  readonly usual: Spread;
  readonly under: Readonly<Partial<Record<FaultCause, Spread>>>;
}

const about = (mean: number, sd: number): Spread => ({ mean, sd });
const yes = (share: number): Spread => ({ yes: share });

/** Weights as ln of weighed over wanted; rise as ln of seen over foretold; age in half windows from the middle. */
export const SPREADS: Readonly<Record<SignName, SignSpreads>> = {
  'yeast-weighed': {
    usual: about(0, 0.05),
    under: { 'yeast-over': about(0.65, 0.35), 'yeast-short': about(-0.6, 0.4) },
  },
  'yeast-on-scale': { usual: about(3, 1), under: { 'yeast-short': about(0.6, 0.9) } },
  'salt-weighed': {
    usual: about(0, 0.03),
    under: { 'salt-double': about(0.69, 0.2), 'salt-missing': about(-2.5, 1.2) },
  },
  'water-weighed': {
    usual: about(0, 0.01),
    under: { 'too-wet': about(0.07, 0.025), 'too-stiff': about(-0.07, 0.025) },
  },
  'water-temperature': {
    usual: about(16, 8),
    under: { 'water-too-hot': about(56, 6), 'too-warm': about(25, 8) },
  },
  rise: {
    usual: about(0, 0.12),
    under: {
      'yeast-dead': about(-0.5, 0.25),
      'water-too-hot': about(-0.45, 0.25),
      'yeast-short': about(-0.25, 0.2),
      'yeast-over': about(0.25, 0.2),
      'too-warm': about(0.2, 0.2),
      'too-cold': about(-0.2, 0.2),
      'salt-double': about(-0.12, 0.15),
      'salt-missing': about(0.12, 0.15),
    },
  },
  warmth: {
    usual: about(0, 0.9),
    under: {
      'too-warm': about(4, 1.8),
      'too-cold': about(-4, 1.8),
      'cold-core': about(-1, 1.5),
    },
  },
  'core-at-opening': {
    usual: about(4, 2.5),
    under: { 'cold-core': about(-5, 2.5), 'too-cold': about(0, 3), 'too-warm': about(7, 3) },
  },
  'age-at-opening': {
    usual: about(0, 0.45),
    under: {
      'too-young': about(-1.9, 0.6),
      'too-old': about(2, 0.7),
      'sugar-gone': about(1.6, 0.8),
    },
  },
  'since-shaping': { usual: about(0, 0.15), under: { 'just-shaped': about(-1.7, 0.6) } },
  'flour-strength': {
    usual: about(0, 0.03),
    under: {
      'flour-weak': about(-0.3, 0.12),
      'flour-strong': about(0.3, 0.12),
      'flour-changed': about(0, 0.08),
    },
  },
  'flour-name': {
    usual: yes(0.04),
    under: { 'flour-changed': yes(0.95), 'flour-weak': yes(0.4), 'flour-strong': yes(0.4) },
  },
  sugar: { usual: about(0, 0.6), under: { 'sugar-high': about(4, 1.5) } },
  stretch: {
    usual: yes(0.06),
    under: { 'under-kneaded': yes(0.9), 'flour-weak': yes(0.3) },
  },
  cover: { usual: yes(0.03), under: { uncovered: yes(0.9) } },
  skin: { usual: yes(0.05), under: { uncovered: yes(0.9) } },
  seam: { usual: yes(0.04), under: { 'seam-open': yes(0.92) } },
  'wet-spots': { usual: yes(0.03), under: { 'salt-undissolved': yes(0.9) } },
  'proof-test': { usual: yes(0.03), under: { 'yeast-dead': yes(0.95) } },
  smell: {
    usual: yes(0.05),
    under: {
      'too-old': yes(0.7),
      'sugar-gone': yes(0.35),
      'too-warm': yes(0.3),
      'yeast-over': yes(0.25),
    },
  },
  'ball-weights': { usual: about(1.4, 0.6), under: { 'not-weighed': about(6, 2) } },
  'oven-temperature': { usual: about(0, 15), under: { 'oven-cool': about(-75, 25) } },
  'bake-time': { usual: about(0, 0.08), under: { 'thick-or-short-bake': about(-0.4, 0.15) } },
};

/** What settles whether it was this cause. */
export const SETTLED_BY: Readonly<Record<FaultCause, SettleBy>> = {
  'yeast-dead': 'proof-test',
  'yeast-short': 'scale-step',
  'yeast-over': 'weigh-record',
  'water-too-hot': 'temperature-record',
  'too-cold': 'temperature-record',
  'too-warm': 'temperature-record',
  'too-young': 'window',
  'too-old': 'window',
  'just-shaped': 'wait-and-open',
  'cold-core': 'core-thermometer',
  'flour-weak': 'flour-sack',
  'flour-strong': 'flour-sack',
  'flour-changed': 'flour-sack',
  'salt-missing': 'taste',
  'salt-double': 'taste',
  'under-kneaded': 'stretch-test',
  'too-wet': 'weigh-record',
  'too-stiff': 'weigh-record',
  'seam-open': 'seam-check',
  uncovered: 'tray-lids',
  'sugar-gone': 'window',
  'sugar-high': 'weigh-record',
  'oven-cool': 'oven-thermometer',
  'salt-undissolved': 'mixing-rest',
  'thick-or-short-bake': 'bake-clock',
  'not-weighed': 'weight-chart',
  none: 'nothing',
};
