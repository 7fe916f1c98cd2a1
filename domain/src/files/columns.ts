/*
 * What a page needs to match a table's columns; reading the table itself is a worker's, with all that it takes.
 */
export * from './dateText';
export * from './salesColumns';
export * from './readingsFile';
