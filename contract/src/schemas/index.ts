export * from './numbers';
export * from './formula';
export * from './engine';
export * from './dough';
export * from './formats';
export * from './requests';
export * from './check';
