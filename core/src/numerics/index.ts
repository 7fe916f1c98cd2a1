export * from './firstIndex';
export * from './normal';
export * from './random';
export * from './root';
