import { getTableColumns, getTableName, type Column } from 'drizzle-orm';
import { getTableConfig, type MySqlColumn, type MySqlTable } from 'drizzle-orm/mysql-core';
import * as t from '../database/schema';
import { OF_A_HOUSE, OF_A_PROBE } from '../store/house/houseTables';

/*
 * What an archive of a house holds, and how: each table as lines of JSON, a row each, by the columns' own names. Who is
 * signed in, passwords, PINs and tokens stay behind, as do answers that are only kept for a while.
 */

/** Of the server and the moment rather than of the house. */
const LEFT_BEHIND: ReadonlySet<MySqlTable> = new Set<MySqlTable>([
  t.sessions,
  t.calendarLinks,
  t.pushDevices,
  t.webhooks,
  t.notifications,
  t.devices,
  t.answers,
  t.turns,
  t.writes,
  t.houseVersions,
]);
const SECRET: ReadonlySet<Column> = new Set<Column>([
  t.people.secretHash,
  t.people.failedTries,
  t.people.lockedUntil,
  t.houseAccess.setupHash,
  t.machines.tokenHash,
]);
/** Counted by a database for all of its houses: another one counts anew. */
const COUNTED_ANEW: ReadonlySet<Column> = new Set<Column>([t.audit.id]);
/** Bytes have files of their own. */
const IN_FILES: ReadonlySet<Column> = new Set<Column>([t.lotPhotos.jpeg]);

/** How a column stands in JSON: an instant is ISO 8601 in UTC, JSON is itself. */
export type ColumnKind = 'text' | 'number' | 'instant' | 'json';

/** A table in an archive. */
export interface ArchivedTable {
  readonly name: string;
  readonly table: MySqlTable;
  /** By the column's name. */
  readonly columns: ReadonlyMap<string, ArchivedColumn>;
  /** What is read of a row: its columns, and its key. */
  readonly read: Readonly<Record<string, MySqlColumn>>;
  /** In which order its rows stand, and are read in parts; by what it is called in `read`. */
  readonly key: readonly string[];
  /** Whose rows they are: a house's by its id, a probe's by its number. */
  readonly of: 'itself' | 'house' | 'probe';
}

/** A column in an archive. */
export interface ArchivedColumn {
  readonly kind: ColumnKind;
  readonly isOptional: boolean;
  /** What it is called in rows as they are read. */
  readonly property: string;
}

function kindOf({ dataType }: Column): ColumnKind {
  if (dataType === 'number' || dataType === 'bigint') return 'number';
  if (dataType === 'date') return 'instant';
  return dataType === 'json' ? 'json' : 'text';
}

function archived(table: MySqlTable, of: ArchivedTable['of']): ArchivedTable {
  const { primaryKeys, columns: all } = getTableConfig(table);
  const keys = new Set<Column>(primaryKeys[0]?.columns ?? all.filter(({ primary }) => primary));
  const each = Object.entries(getTableColumns(table));
  const kept = each.filter(
    ([, column]) => !SECRET.has(column) && !COUNTED_ANEW.has(column) && !IN_FILES.has(column),
  );
  const key = each.filter(([, column]) => keys.has(column));
  return {
    name: getTableName(table),
    table,
    of,
    read: Object.fromEntries([...kept, ...key]),
    key: key.map(([property]) => property),
    columns: new Map(
      kept.map(([property, column]) => [
        column.name,
        { kind: kindOf(column), isOptional: !column.notNull, property },
      ]),
    ),
  };
}

/** Every table of an archive, whatever is referred to before what refers to it. */
export const ARCHIVED_TABLES: readonly ArchivedTable[] = [
  archived(t.houses, 'itself'),
  ...OF_A_HOUSE.filter((table) => !LEFT_BEHIND.has(table)).map((table) => archived(table, 'house')),
  ...OF_A_PROBE.map((table) => archived(table, 'probe')),
];
