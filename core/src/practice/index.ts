export * from './evening/evening';
export { routeOfTray, trayCourse, type TrayCourse } from './evening/trayCourse';
export * from './evening/scoreEvening';
export * from './evening/hindsight';
export * from './evening/plainRule';
export * from './reading/readingCase';
export * from './reading/seen';
export * from './reading/scoreReading';
export * from './reading/nextReading';
