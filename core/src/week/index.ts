export * from './problem';
export * from './demands';
export * from './settle';
export * from './dispatch';
export * from './clash';
export * from './faults';
export * from './checkWeek';
export * from './exactModel';
