import type { SalesColumns } from '@calm/contract';
import {
  DATE_ORDERS as ORDERS,
  dateOrdersOf,
  likelyOrder,
  readDateText,
  readTimeText,
  type DateOrder,
} from './dateText';
import { wholeNumber } from './wholeNumber';

/** Columns by what they are called in most of the world's exports. */
const TITLES = {
  date: /date|day|when|datum|time ?stamp|sold on|^at$/i,
  product: /product|item|article|dish|name|ball/i,
  sold: /sold|qty|quantity|count|units|amount|number sold|pieces/i,
  time: /^time|hour|clock|ordered at/i,
  service: /service|shift|meal|period/i,
  soldOut: /out/i,
  left: /left|waste|remain/i,
  number: /receipt|ticket|order|line|id$|no\.?$/i,
} as const;

/**
 * A first guess of which column says what, and which product is meant.
 *
 * @param rows some of the file's rows, in the order of its titles
 * @param products the house's, by name
 * @param usualOrder of dates, where nothing in them tells it
 */
export function guessColumns(
  titles: readonly string[],
  rows: readonly (readonly string[])[],
  names: readonly string[],
  products: readonly { readonly id: string; readonly name: string }[],
  usualOrder: DateOrder = 'day-first',
): SalesColumns {
  const taken = new Set<string>();
  const cellsOf = (title: string) =>
    rows.map((row) => (row[titles.indexOf(title)] ?? '').trim()).filter((text) => text !== '');
  const find = (key: keyof typeof TITLES, reads: (text: string) => boolean = () => true) => {
    const title = titles.find(
      (each) => !taken.has(each) && TITLES[key].test(each) && cellsOf(each).every(reads),
    );
    if (title !== undefined) taken.add(title);
    return title;
  };
  const isDate = (text: string) => ORDERS.some((order) => readDateText(text, order) !== null);
  const isTime = (text: string) => readTimeText(text) !== null;
  const isWhole = (text: string) => wholeNumber(text) !== null;
  // The narrow ones first: "sold out at" is not "sold", and "sold on" is a date.
  const soldOut = find('soldOut', isTime);
  const left = find('left', isWhole);
  const free = (reads: (text: string) => boolean) =>
    titles.find((title) => !taken.has(title) && cellsOf(title).every(reads)) ?? titles[0] ?? '';
  const date = find('date', isDate) ?? free(isDate);
  taken.add(date);
  const time = find('time', isTime);
  const service = find('service');
  const product = find('product') ?? free((text) => !isWhole(text));
  taken.add(product);
  const sold = find('sold', isWhole);
  const number = find('number');
  const dates = rows.map((row) => row[titles.indexOf(date)] ?? '');
  return {
    date,
    product,
    ...(sold !== undefined && { sold }),
    ...(time !== undefined && { time }),
    ...(service !== undefined && { service }),
    ...(soldOut !== undefined && { soldOut }),
    ...(left !== undefined && { left }),
    ...(number !== undefined && { number }),
    dateOrder: likelyOrder(dateOrdersOf(dates), usualOrder),
    products: Object.fromEntries(names.map((name) => [name, guessProduct(name, products)])),
  };
}

/** The house's product that a name means: the same words, or the only one whose words are in it. */
export function guessProduct(
  name: string,
  products: readonly { readonly id: string; readonly name: string }[],
): string | null {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim();
  const said = plain(name);
  const same = products.find((product) => plain(product.name) === said);
  if (same) return same.id;
  const within = products.filter((product) => ` ${said} `.includes(` ${plain(product.name)} `));
  return within.length === 1 ? (within[0]?.id ?? null) : null;
}
