export * from './countBack';
export * from './coverage';
export * from './lotPosition';
