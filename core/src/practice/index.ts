export * from './evening/evening';
export { routeOfTray, trayCourse, type TrayCourse } from './evening/trayCourse';
export * from './evening/scoreEvening';
export * from './evening/hindsight';
export * from './evening/plainRule';
