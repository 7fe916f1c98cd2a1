export * from './yeast';
export * from './formula';
export * from './effective';
export * from './perLitre';
export * from './finalMix';
export * from './notes';
export * from './edit';
export * from './route';
