import { and, eq, type InferSelectModel } from 'drizzle-orm';
import type { MySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import type { Repository } from './repository';
import type { RecordName } from './recordName';
import type { Scope } from '../database/scope';

/** A table whose rows have an id of their own within a house, and count their writes. */
type RecordTable = MySqlTable & {
  readonly id: MySqlColumn;
  readonly houseId: MySqlColumn;
  readonly version: MySqlColumn;
};

/** A shelf that is one table: what crosses the wire is its row, without the house. */
export function tableRepository<Table extends RecordTable, Content extends object, Stored>(
  table: Table,
  {
    what,
    rowOf,
    storedOf,
    lacks,
  }: {
    readonly what: RecordName;
    /** A content as the table's columns. */
    readonly rowOf: (content: Content) => object;
    readonly storedOf: (row: InferSelectModel<Table>) => Stored;
    readonly lacks?: (scope: Scope, content: Content) => Promise<string | null>;
  },
): Repository<Content, Stored> {
  const here = ({ houseId }: Scope, id: string) =>
    and(eq(table.houseId, houseId), eq(table.id, id));
  return {
    what,
    ...(lacks && { lacks }),
    async find(scope, id) {
      const rows = await scope.tx.select().from(table).where(here(scope, id));
      const [row] = rows as InferSelectModel<Table>[];
      return row ? storedOf(row) : null;
    },
    insert: ({ tx, houseId }, id, content) =>
      tx.insert(table).values({ id, houseId, ...rowOf(content) } as Table['$inferInsert']),
    async write(scope, id, read, content) {
      const [result] = await scope.tx
        .update(table)
        .set({ ...rowOf(content), version: read + 1 } as never)
        .where(and(here(scope, id), eq(table.version, read)));
      return result.affectedRows === 1;
    },
    remove: (scope, id) => scope.tx.delete(table).where(here(scope, id)),
  };
}
