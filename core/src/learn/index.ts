export * from './losses';
