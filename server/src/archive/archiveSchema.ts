import { ARCHIVED_TABLES, type ArchivedColumn, type ColumnKind } from './archivedTables';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, MANIFEST, photoFile, tableFile } from './archiveFiles';

const TYPE: Readonly<Record<ColumnKind, object>> = {
  text: { type: 'string' },
  number: { type: 'number' },
  instant: { type: 'string', format: 'date-time' },
  json: {},
};

const columnSchema = ({ kind, isOptional }: ArchivedColumn): object =>
  isOptional && kind !== 'json' ? { anyOf: [TYPE[kind], { type: 'null' }] } : TYPE[kind];

/** The JSON Schema of an archive's files, by name: its manifest, and the lines of each table under `$defs`. */
export function archiveSchema() {
  const tables = ARCHIVED_TABLES.map(({ name, columns }) => [
    name,
    {
      description: `A line of ${tableFile(name)}`,
      type: 'object',
      required: [...columns.keys()],
      properties: Object.fromEntries(
        [...columns].map(([column, how]) => [column, columnSchema(how)]),
      ),
      additionalProperties: false,
    },
  ]);
  const sum = {
    type: 'object',
    required: ['rows', 'sha256', 'columns'],
    properties: {
      rows: { type: 'integer', minimum: 0 },
      sha256: { type: 'string', pattern: '^[0-9a-f]{64}$' },
      columns: {
        type: 'object',
        additionalProperties: { enum: Object.keys(TYPE) },
      },
    },
  };
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'An archive of a house',
    description:
      `A ZIP of ${MANIFEST}, which this schema describes, a file ${tableFile('<table>')} for each table, a line of JSON ` +
      `for each row, as under $defs, ${photoFile('<id>')} for each row of lot_photos, and tables for people under csv/.`,
    type: 'object',
    required: ['format', 'version', 'at', 'migrations', 'house', 'tables', 'photos'],
    properties: {
      format: { const: ARCHIVE_FORMAT },
      version: { const: ARCHIVE_VERSION },
      at: { type: 'string', format: 'date-time' },
      migrations: { type: 'integer', minimum: 1 },
      house: {
        type: 'object',
        required: ['slug', 'name'],
        properties: { slug: { type: 'string' }, name: { type: 'string' } },
      },
      tables: { type: 'object', additionalProperties: sum },
      photos: { type: 'integer', minimum: 0 },
    },
    $defs: Object.fromEntries(tables) as Record<string, object>,
  };
}
