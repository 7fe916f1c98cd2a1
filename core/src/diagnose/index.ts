export * from './vocabulary';
export { signsOf, type DiagnosedLot, type Sign } from './signs';
export * from './diagnose';
