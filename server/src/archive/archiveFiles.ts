import type { House } from '@calm/contract';
import type { ColumnKind } from './archivedTables';

/* What files an archive is made of, and what it says of them. */

export const ARCHIVE_FORMAT = 'calm-tray-archive';
export const ARCHIVE_VERSION = 1;
export const MANIFEST = 'manifest.json';
export const tableFile = (name: string): string => `tables/${name}.jsonl`;
export const photoFile = (id: string): string => `photos/${id}.jpg`;

/** What an archive says of itself. */
export interface Manifest {
  readonly format: typeof ARCHIVE_FORMAT;
  readonly version: number;
  /** When it was taken, ISO 8601. */
  readonly at: string;
  /** How many changes of the tables it has seen. */
  readonly migrations: number;
  readonly house: Pick<House, 'slug' | 'name'>;
  /** By name, in the order in which they refer to each other. */
  readonly tables: Readonly<Record<string, TableSum>>;
  readonly photos: number;
}

/** What a table's file has to be. */
export interface TableSum {
  readonly rows: number;
  /** Of the file, hexadecimal. */
  readonly sha256: string;
  readonly columns: Readonly<Record<string, ColumnKind>>;
}
