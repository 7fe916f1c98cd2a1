export * from './mass';
export * from './temperature';
export * from './rounding';
export * from './time';
