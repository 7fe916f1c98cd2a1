export * from './losses';
export * from './pieces';
