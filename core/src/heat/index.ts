export * from './shape';
export * from './conduction';
export * from './container';
export * from './airByHour';
