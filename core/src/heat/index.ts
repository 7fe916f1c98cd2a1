export * from './shape';
export * from './conduction';
export * from './container';
export * from './room';
export * from './scenario';
export * from './reading';
