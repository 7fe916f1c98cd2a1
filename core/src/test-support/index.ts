export * from './arbitraries';
export * from './checkWeek';
export * from './dispatch';
export * from './exactModel';
export * from './lookedAtLots';
export * from './madeHouse';
export * from './seriesSolutions';
export * from './weeks';
