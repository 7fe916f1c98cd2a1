import { salesReader } from '@calm/contract/files';
import { expose } from 'comlink';
import Papa from 'papaparse';
import type { OpenedSales, SalesInWorker } from './salesAnswers';

const SAMPLE_ROWS = 5;
const MOST_NAMES = 200;
/** Bytes between two reports of progress. */
const CHUNK = 256 * 1024;
/** Stands for bytes that are no UTF-8: the file is then an older spreadsheet's. */
const UNREADABLE = '\ufffd';

let titles: readonly string[] = [];
let rows: readonly (readonly string[])[] = [];

/** Sales files are read off the page's own thread. */
const reader: SalesInWorker = {
  async open(file, onShare): Promise<OpenedSales> {
    const utf8 = await parse(file, 'utf-8', onShare);
    const isOther = utf8.some((row) => row.some((text) => text.includes(UNREADABLE)));
    const [head = [], ...rest] = isOther ? await parse(file, 'windows-1252', onShare) : utf8;
    titles = head.map((title) => title.replace(/^\ufeff/, '').trim());
    rows = rest;
    return { titles, rows: rows.slice(0, SAMPLE_ROWS), lines: rows.length };
  },
  namesOf(title) {
    const at = titles.indexOf(title);
    const counts = new Map<string, number>();
    for (const row of rows) {
      const name = (row[at] ?? '').trim();
      if (name) counts.set(name, (counts.get(name) ?? 0) + 1);
    }
    return [...counts]
      .map(([name, lines]) => ({ name, lines }))
      .sort((a, b) => b.lines - a.lines)
      .slice(0, MOST_NAMES);
  },
  read(columns, calendar) {
    const sales = salesReader(titles, columns, calendar);
    sales.take(rows, 2);
    return sales.result();
  },
};

function parse(
  file: File,
  encoding: string,
  onShare: (share: number) => void,
): Promise<string[][]> {
  return new Promise((resolve, reject) => {
    const all: string[][] = [];
    Papa.parse<string[]>(file, {
      encoding,
      chunkSize: CHUNK,
      chunk: ({ data, meta }) => {
        for (const row of data) all.push(row);
        onShare(file.size > 0 ? meta.cursor / file.size : 1);
      },
      complete: () => resolve(all),
      error: reject,
    });
  });
}

expose(reader);
