export * from './load';
export { crew, formulas, routes } from './lanternYard';
