export * from './house';
export * from './together';
export * from './fitRoom';
