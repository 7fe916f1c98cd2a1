export * from './vocabulary';
export * from './advise';
export { asSeen } from './asSeen';
export * from './backIntoCold';
export * from './equivalent';
export * from './flourSwap';
export { soFar, type AdvicePlace, type DoughSoFar } from './waysAhead';
