import { dateOrdersOf, type DateColumn } from '@calm/domain/columns';
import Papa from 'papaparse';

/** A table that is open in a worker. */
export interface OpenTable {
  readonly titles: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Bytes between two reports of progress. */
const CHUNK = 256 * 1024;
/** Stands for bytes that are no UTF-8: the file is then an older spreadsheet's. */
const UNREADABLE = '\ufffd';

/** Reads a whole CSV table. @param onShare told now and then how much has been read, 0–1 */
export async function openTable(file: File, onShare: (share: number) => void): Promise<OpenTable> {
  const utf8 = await parse(file, 'utf-8', onShare);
  const isOther = utf8.some((row) => row.some((text) => text.includes(UNREADABLE)));
  const [head = [], ...rows] = isOther ? await parse(file, 'windows-1252', onShare) : utf8;
  // A file that ends in a line's end has no line after it.
  while (rows.at(-1)?.every((text) => text.trim() === '')) rows.pop();
  return { titles: head.map((title) => title.replace(/^\ufeff/, '').trim()), rows };
}

/** The names in a column and on how many lines, most lines first. */
export function namesIn({ titles, rows }: OpenTable, title: string, most: number) {
  const at = titles.indexOf(title);
  const counts = new Map<string, number>();
  for (const row of rows) {
    const name = (row[at] ?? '').trim();
    if (name) counts.set(name, (counts.get(name) ?? 0) + 1);
  }
  return [...counts]
    .map(([name, lines]) => ({ name, lines }))
    .sort((a, b) => b.lines - a.lines)
    .slice(0, most);
}

/** Which columns hold dates, in which orders they can be read, and one of them. */
export function datesIn({ titles, rows }: OpenTable): Readonly<Record<string, DateColumn>> {
  const columns = titles.flatMap((title, at) => {
    const texts = rows.map((row) => (row[at] ?? '').trim());
    const example = texts.find((text) => dateOrdersOf([text]).length > 0);
    return example === undefined
      ? []
      : [[title, { example, orders: dateOrdersOf(texts) }] as const];
  });
  return Object.fromEntries(columns);
}

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
