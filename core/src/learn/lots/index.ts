export * from './observed';
export * from './risen';
export * from './narrow';
export * from './learnHouse';
