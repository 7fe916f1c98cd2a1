export * from './route';
export * from './countBack';
export * from './coverage';
export * from './whereabouts';
