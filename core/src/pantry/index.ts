export * from './ingredient';
export * from './cost';
export * from './bags';
export * from './allergens';
export * from './holding';
