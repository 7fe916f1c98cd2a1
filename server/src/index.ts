export * from './clock';
export * from './config';
export * from './serve';
export { createApp } from './http/app';
export * from './store/database';
export * as schema from './store/schema';
export { inTransaction } from './store/transaction';
export { activeKeyOf } from './store/lots';
export { addDays, datesFrom, instantOf, localDateOf, weekdayOf } from './use-cases/wallClock';
