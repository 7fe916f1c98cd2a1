import { guessReadingColumns, readingsReader } from '@calm/domain/columns';
import { expose } from 'comlink';
import { datesIn, namesIn, openTable, type OpenTable } from './openTable';
import type { ReadingsInWorker } from './readingsAnswers';

const SAMPLE_ROWS = 5;
const MOST_NAMES = 100;
/** Lines between two reports of progress. */
const A_REPORT = 20_000;

let table: OpenTable = { titles: [], rows: [] };

/** Loggers' files are read off the page's own thread. */
const reader: ReadingsInWorker = {
  async open(file, usualOrder, onShare) {
    table = await openTable(file, onShare);
    const { titles, rows } = table;
    const sample = rows.slice(0, SAMPLE_ROWS);
    const guess = guessReadingColumns(titles, rows, usualOrder);
    return { titles, rows: sample, dates: datesIn(table), lines: rows.length, guess };
  },
  namesOf: (title) => namesIn(table, title, MOST_NAMES),
  read(columns, timeZone, nowS, onShare) {
    const readings = readingsReader(table.titles, columns, timeZone, nowS);
    for (let i = 0; i < table.rows.length; i += A_REPORT) {
      readings.take(table.rows.slice(i, i + A_REPORT), 2 + i);
      onShare(i / table.rows.length);
    }
    return readings.result();
  },
};

expose(reader);
