export * from './losses';
export * from './chance';
export * from './pieces';
export * from './work';
export * from './controlChart';
export * from './lots';
