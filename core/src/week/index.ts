export * from './problem';
export * from './settle';
