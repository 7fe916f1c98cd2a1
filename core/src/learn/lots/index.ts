export * from './observed';
export * from './narrow';
export * from './learnHouse';
