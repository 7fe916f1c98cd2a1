export * from './roomToRise';
export * from './loads';
export * from './dilution';
export * from './remainder';
export * from './scale';
export * from './wholeBags';
export * from './stepAmounts';
