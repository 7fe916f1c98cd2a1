import { guessReadingColumns, readingsReader } from '@calm/domain/columns';
import { expose } from 'comlink';
import { namesIn, openTable, type OpenTable } from './openTable';
import type { ReadingsInWorker } from './readingsAnswers';

const SAMPLE_ROWS = 5;
const MOST_NAMES = 100;
/** Lines between two reports of progress. */
const A_REPORT = 20_000;

let table: OpenTable = { titles: [], rows: [] };

/** Loggers' files are read off the page's own thread. */
const reader: ReadingsInWorker = {
  async open(file, onShare) {
    table = await openTable(file, onShare);
    const { titles, rows } = table;
    const sample = rows.slice(0, SAMPLE_ROWS);
    return { titles, rows: sample, lines: rows.length, guess: guessReadingColumns(titles, sample) };
  },
  namesOf: (title) => namesIn(table, title, MOST_NAMES),
  read(columns, timeZone, onShare) {
    const readings = readingsReader(table.titles, columns, timeZone);
    for (let i = 0; i < table.rows.length; i += A_REPORT) {
      readings.take(table.rows.slice(i, i + A_REPORT), 2 + i);
      onShare(i / table.rows.length);
    }
    return readings.result();
  },
};

expose(reader);
