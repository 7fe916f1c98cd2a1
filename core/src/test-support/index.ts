export * from './arbitraries';
export * from './checkWeek';
export * from './dispatch';
export * from './exactModel';
export * from './seriesSolutions';
export * from './weeks';
