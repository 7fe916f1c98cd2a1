export * from './load';

export * from './load/cold';
export * from './load/demand';
export * from './load/inserting';
export * from './load/book';
export { crew, formulas, routes } from './lanternYard';
export * from './till';
export { comeIn } from './comeIn';
export * from './exampleLots';
export { probeRound, type ProbeMemory } from './probeRound';
export type { Story } from './cold';
export { letIn, lineTo, type Line } from './line';
export { makeHistory as historyOf } from './past/history';
export { comingWeek, planComingWeek } from './comingWeek';
export { foretold } from './past/foretold';
