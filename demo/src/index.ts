export * from './load';
export { crew, formulas, routes } from './lanternYard';
export * from './till';
export { comeIn } from './comeIn';
export * from './exampleLots';
