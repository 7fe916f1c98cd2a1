export * from './numbers';
export * from './formula';
export * from './engine';
export * from './requests';
export * from './check';
