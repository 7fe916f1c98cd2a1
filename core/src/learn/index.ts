export * from './losses';
export * from './pieces';
export * from './controlChart';
export * from './lots';
