export * from './house';
export * from './book';
export * from './demand';
export * from './lots';
export * from './plans';
export * from './access';
export * from './cold';
export * from './coordination';
