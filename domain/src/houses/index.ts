export type * from './houseSet';
export * from './starterSet';
export * from './mixerSize';
export * from './routeForHouse';
export * from './setUpSteps';
export * from './standardHouse';
