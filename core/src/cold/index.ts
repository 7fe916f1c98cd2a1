export * from './reading';
export * from './alarm';
export * from './cause';
export * from './rack';
export * from './roomAir';
export * from './loadIn';
