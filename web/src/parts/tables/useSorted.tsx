import TableSortLabel from '@mui/material/TableSortLabel';
import { useMemo, useState } from 'react';
import { useFormats } from '../format/useFormats';

/** What a row is sorted by in one column; null stands last, whichever way it is sorted. */
type Sorting<Row> = (row: Row) => string | number | null;

interface Order<Key> {
  readonly key: Key;
  readonly isDown: boolean;
}

/**
 * Rows as whoever is here has sorted them, and the headings by which they do. Nothing is sorted before somebody
 * asks for it; a third press on a heading brings the rows back as they came.
 *
 * @param by what each column sorts by, the same object at every call
 */
export function useSorted<Row, Key extends string>(
  rows: readonly Row[],
  by: Readonly<Record<Key, Sorting<Row>>>,
) {
  const [order, setOrder] = useState<Order<Key> | null>(null);
  const { locale } = useFormats();
  const sorted = useMemo(() => {
    if (!order) return rows;
    const { compare } = new Intl.Collator(locale, { numeric: true });
    const sign = order.isDown ? -1 : 1;
    const keyed = rows.map((row) => ({ row, at: by[order.key](row) }));
    keyed.sort((a, b) => {
      if (a.at === null || b.at === null) return Number(a.at === null) - Number(b.at === null);
      if (typeof a.at === 'number' && typeof b.at === 'number') return sign * (a.at - b.at);
      return sign * compare(String(a.at), String(b.at));
    });
    return keyed.map(({ row }) => row);
  }, [rows, by, order, locale]);

  /** The heading of a column: says how it is sorted, and changes that. */
  const heading = (key: Key, name: string) => {
    const isMine = order?.key === key;
    const next = !isMine ? { key, isDown: false } : order.isDown ? null : { key, isDown: true };
    const way = isMine && order.isDown ? 'desc' : 'asc';
    return (
      <th
        key={key}
        scope="col"
        aria-sort={!isMine ? 'none' : order.isDown ? 'descending' : 'ascending'}
      >
        <TableSortLabel active={isMine} direction={way} onClick={() => setOrder(next)}>
          {name}
        </TableSortLabel>
      </th>
    );
  };
  return { sorted, heading };
}
