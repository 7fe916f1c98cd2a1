export * from './bookFile';
export * from './bookCsv';
export * from './readBookFile';
export * from './readBookCsv';
