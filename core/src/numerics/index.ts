export * from './cholesky';
export * from './firstIndex';
export * from './maximum';
export * from './normal';
export * from './random';
export * from './root';
