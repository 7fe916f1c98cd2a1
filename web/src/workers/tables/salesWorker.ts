import { salesReader } from '@calm/domain/files';
import { expose } from 'comlink';
import { datesIn, namesIn, openTable, type OpenTable } from './openTable';
import type { OpenedSales, SalesInWorker } from './salesAnswers';

const SAMPLE_ROWS = 5;
const MOST_NAMES = 200;

let table: OpenTable = { titles: [], rows: [] };

/** Sales files are read off the page's own thread. */
const reader: SalesInWorker = {
  async open(file, onShare): Promise<OpenedSales> {
    table = await openTable(file, onShare);
    const { titles, rows } = table;
    const sample = rows.slice(0, SAMPLE_ROWS);
    return { titles, rows: sample, dates: datesIn(table), lines: rows.length };
  },
  namesOf: (title) => namesIn(table, title, MOST_NAMES),
  read(columns, calendar, today) {
    const sales = salesReader(table.titles, columns, calendar, today);
    sales.take(table.rows, 2);
    return sales.result();
  },
};

expose(reader);
