export * from './bookFile';
export * from './bookCsv';
export * from './readBookFile';
export * from './readBookCsv';
export * from './dateText';
export * from './salesFile';
export * from './salesColumns';
export * from './wholeNumber';
