export * from './load';
export { crew, formulas, routes } from './lanternYard';
export * from './till';
export { comeIn } from './comeIn';
export * from './exampleLots';
export { probeRound, type ProbeMemory } from './probeRound';
export type { Story } from './cold';
export type { Line } from './line';
export { makeHistory as historyOf } from './history';
