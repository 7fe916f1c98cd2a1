export * from './clock';
export * from './problem';
export * from './house';
export * from './demand';
export * from './lot';
export * from './recipe';
export * from './dough';
export * from './paths';
