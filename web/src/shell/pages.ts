import type { Permission } from '@calm/contract';
import type { WordArea } from '../words/catalogue';

/** What every page of a house is known by. */
export interface PageInfo {
  /** Its address within the house, as the router reads it. */
  readonly path: string;
  /** Its component, which is also the name of its code. */
  readonly component: string;
  /** The words it needs beside the shell's. */
  readonly words: readonly WordArea[];
  /** Who may change what stands on it; everybody else reads. A page without says so piece by piece. */
  readonly editing?: Permission;
  /** Its page of the manual. */
  readonly manual: string;
  /** Its name in the catalogue, where it can be gone to without saying of what. */
  readonly name?: string;
}

const DEMAND = ['demand', 'engine'] as const;
const FORMULAS = ['formulas', 'mix', 'engine'] as const;
const PLAN = ['plan', 'engine'] as const;
const WHAT_NOW = ['tonight', 'whatNow', 'engine'] as const;
const MIX = ['mix', 'bench', 'engine', 'tonight'] as const;
const WALK_IN = ['walkIn', 'whatNow'] as const;
const CREW = ['crew', 'tonight', 'whatNow'] as const;
const PRACTICE = ['practice', 'crew'] as const;
const LOG = ['log', 'engine', 'bench', 'mix', 'tonight', 'whatNow'] as const;

/**
 * Every page of a house. The router shows them, the page asks early for their code and words, the search finds
 * them, and the manual has a page for each. Of two that an address fits, the first counts.
 */
export const PAGES = [
  {
    path: 'tonight',
    component: 'Tonight',
    words: ['tonight'],
    manual: 'tonight',
    name: 'stops.tonight',
  },
  {
    path: 'tonight/what-now',
    component: 'WhatHappened',
    words: WHAT_NOW,
    manual: 'what-now',
    name: 'tonight.whatNow',
  },
  {
    path: 'tonight/what-now/:lot',
    component: 'WhatNow',
    words: WHAT_NOW,
    manual: 'what-now',
  },
  {
    path: 'tonight/guests',
    component: 'Guests',
    words: WHAT_NOW,
    manual: 'guests',
    name: 'guests.title',
  },
  {
    path: 'tonight/flour',
    component: 'FlourShort',
    words: WHAT_NOW,
    manual: 'missing',
    name: 'missing.flour',
  },
  {
    path: 'tonight/scale',
    component: 'CoarseScale',
    words: [...WHAT_NOW, 'mix'],
    manual: 'missing',
    name: 'missing.scale',
  },
  {
    path: 'tonight/oven',
    component: 'OvenDown',
    words: WHAT_NOW,
    manual: 'missing',
    name: 'missing.oven',
  },
  {
    path: 'demand',
    component: 'Demand',
    words: DEMAND,
    editing: 'plan',
    manual: 'demand',
    name: 'stops.demand',
  },
  {
    path: 'demand/shopping',
    component: 'Shopping',
    words: DEMAND,
    manual: 'shopping',
    name: 'demand.shopping.title',
  },
  {
    path: 'demand/services',
    component: 'Services',
    words: DEMAND,
    editing: 'plan',
    manual: 'services',
    name: 'demand.services.title',
  },
  {
    path: 'demand/history',
    component: 'History',
    words: [...DEMAND, 'files'],
    manual: 'sales',
    name: 'demand.history.title',
  },
  {
    path: 'formulas',
    component: 'Formulas',
    words: FORMULAS,
    editing: 'book',
    manual: 'formulas',
    name: 'stops.formulas',
  },
  {
    path: 'formulas/routes',
    component: 'Routes',
    words: FORMULAS,
    editing: 'book',
    manual: 'routes',
    name: 'formulas.routes.title',
  },
  {
    path: 'formulas/routes/:route',
    component: 'RoutePage',
    words: FORMULAS,
    editing: 'book',
    manual: 'routes',
  },
  {
    path: 'formulas/pantry',
    component: 'Pantry',
    words: FORMULAS,
    editing: 'book',
    manual: 'pantry',
    name: 'formulas.pantry.title',
  },
  {
    path: 'formulas/:product/what-if',
    component: 'WhatIf',
    words: FORMULAS,
    manual: 'what-if',
  },
  {
    path: 'formulas/:formula/:part?',
    component: 'FormulaPage',
    words: FORMULAS,
    editing: 'book',
    manual: 'formula',
  },
  { path: 'plan', component: 'Plan', words: PLAN, manual: 'plan', name: 'stops.plan' },
  {
    path: 'plan/rehearsal',
    component: 'RehearsalPage',
    words: [...PLAN, 'rehearsal'],
    manual: 'rehearsal',
    name: 'rehearsal.title',
  },
  {
    path: 'plan/paper',
    component: 'DayPaper',
    words: [...PLAN, 'tonight'],
    manual: 'plan',
    name: 'plan.paper.title',
  },
  { path: 'mix', component: 'Mix', words: MIX, manual: 'mix', name: 'stops.mix' },
  { path: 'mix/:date/:product', component: 'BatchSheet', words: MIX, manual: 'batch-sheet' },
  { path: 'mix/:date/:product/ahead', component: 'Ahead', words: MIX, manual: 'ahead' },
  { path: 'mix/:date/:product/weigh', component: 'WeighOff', words: MIX, manual: 'weigh-off' },
  { path: 'mix/:date/:product/ball', component: 'DivideAndBall', words: MIX, manual: 'balling' },
  { path: 'mix/:date/:product/paper', component: 'Paper', words: MIX, manual: 'batch-sheet' },
  {
    path: 'walk-in',
    component: 'WalkIn',
    words: WALK_IN,
    manual: 'walk-in',
    name: 'stops.walk-in',
  },
  { path: 'walk-in/alarms/:alarm', component: 'AlarmPage', words: WALK_IN, manual: 'alarms' },
  {
    path: 'walk-in/air',
    component: 'AirPage',
    words: [...WALK_IN, 'files'],
    manual: 'air',
    name: 'walkIn.air.title',
  },
  {
    path: 'walk-in/load-in',
    component: 'LoadIn',
    words: WALK_IN,
    manual: 'load-in',
    name: 'walkIn.loadIn.title',
  },
  {
    path: 'walk-in/what-if',
    component: 'ColdWhatIf',
    words: WALK_IN,
    manual: 'cold-what-if',
    name: 'walkIn.whatIf.title',
  },
  {
    path: 'walk-in/record',
    component: 'ColdRecord',
    words: WALK_IN,
    manual: 'cold-record',
    name: 'walkIn.record.title',
  },
  {
    path: 'walk-in/places',
    component: 'Places',
    words: WALK_IN,
    manual: 'cold-places',
    name: 'walkIn.nav.places',
  },
  { path: 'crew', component: 'Crew', words: CREW, manual: 'crew', name: 'stops.crew' },
  {
    path: 'crew/handover',
    component: 'HandoverPage',
    words: CREW,
    manual: 'handover',
    name: 'crew.handover.title',
  },
  {
    path: 'crew/shift',
    component: 'MyShift',
    words: CREW,
    manual: 'my-shift',
    name: 'crew.nav.mine',
  },
  {
    path: 'crew/practice',
    component: 'Practice',
    words: PRACTICE,
    manual: 'practice',
    name: 'practice.title',
  },
  {
    path: 'crew/practice/reading',
    component: 'Reading',
    words: PRACTICE,
    manual: 'practice',
    name: 'practice.reading.title',
  },
  {
    path: 'crew/practice/drills/:skill',
    component: 'DrillPage',
    words: [...PRACTICE, 'engine'],
    manual: 'drills',
  },
  {
    path: 'crew/practice/evenings',
    component: 'Evenings',
    words: PRACTICE,
    manual: 'evenings',
    name: 'practice.evenings.title',
  },
  {
    path: 'crew/practice/evenings/:situation',
    component: 'EveningPage',
    words: PRACTICE,
    manual: 'evenings',
  },
  {
    path: 'crew/practice/weeks/:week',
    component: 'WeekPage',
    words: PRACTICE,
    manual: 'evenings',
  },
  { path: 'log', component: 'Log', words: LOG, manual: 'log', name: 'stops.log' },
  {
    path: 'log/consistency',
    component: 'Steady',
    words: LOG,
    manual: 'consistency',
    name: 'steady.title',
  },
  { path: 'log/trials', component: 'Trials', words: LOG, manual: 'trials', name: 'trials.title' },
  { path: 'log/why', component: 'WhyPage', words: LOG, manual: 'why', name: 'causes.open' },
  { path: 'log/:lot', component: 'LotPage', words: LOG, manual: 'lot' },
  { path: 'house', component: 'House', words: ['house'], manual: 'house', name: 'stops.house' },
  {
    path: 'house/learned',
    component: 'Learned',
    words: ['house'],
    manual: 'learned',
    name: 'learned.title',
  },
] as const satisfies readonly PageInfo[];

export type PageComponent = (typeof PAGES)[number]['component'];

/** A pattern for the addresses of a page within its house, without slashes around it. */
export const addressPattern = (path: string): string =>
  path.replace(/\/:\w+\?/g, '(/[^/]+)?').replace(/:\w+/g, '[^/]+');

/** The page at an address within a house; undefined where there is none. */
export const pageAt = (address: string): PageInfo | undefined =>
  PAGES.find(({ path }) => new RegExp(`^${addressPattern(path)}/?$`).test(address));
