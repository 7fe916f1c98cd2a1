export * from './temperature';
export * from './ice';
export * from './advice';
export * from './friction';
export * from './mixerLine';
