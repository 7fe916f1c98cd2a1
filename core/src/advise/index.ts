export * from './vocabulary';
export * from './advise';
export { asSeen } from './asSeen';
export * from './backIntoCold';
export * from './equivalent';
export * from './flourSwap';
export { COLD_AIR_C, soFar, type AdvicePlace, type DoughSoFar } from './waysAhead';
