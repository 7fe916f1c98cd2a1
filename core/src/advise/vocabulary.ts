/** What can be done with dough that waits. */
export const ACTIONS = [
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
] as const;
/** One of them. */
export type Action = (typeof ACTIONS)[number];

/** What is seen of dough that is not where it should be, without a number. */
export const DOUGH_TROUBLES = ['ahead', 'behind', 'over-proofed'] as const;
/** One of them. */
export type DoughTrouble = (typeof DOUGH_TROUBLES)[number];

/** Why something is worth doing, or what comes of it. */
export const ADVICE_REASONS = [
  'opens-well',
  'opens-too-soon',
  'opens-too-late',
  'never-opens',
  'eaten-in-time',
  'warms-in-time',
  'waits-in-the-cold',
  'slows-down',
  'hurries-up',
  'begins-again',
  'asks-less-of-it',
  'still-ferments',
  'good-enough',
  'last-resort',
  'past-use',
] as const;
/** One of them. */
export type AdviceReason = (typeof ADVICE_REASONS)[number];
