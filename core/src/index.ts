export * from './outcome';
export * from './units';
export * from './formula';
export * from './scale';
export * from './water';
export * from './plan';
export * from './heat';
export * from './ferment';
