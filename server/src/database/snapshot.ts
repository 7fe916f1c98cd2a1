import { onConnection, type Database, type Queries } from './database';

/** A database as of one moment, on a connection of its own, until it is let go. */
export interface Snapshot {
  readonly tx: Queries;
  /** Lets the connection go; nothing can be read after. */
  readonly end: () => void;
}

/** Takes a snapshot, in which much is read while others write. */
export async function takeSnapshot({ $client }: Database): Promise<Snapshot> {
  const connection = await $client.getConnection();
  try {
    await connection.query('set transaction isolation level repeatable read');
    await connection.query('start transaction with consistent snapshot, read only');
  } catch (error) {
    connection.destroy();
    throw error;
  }
  return { tx: onConnection(connection), end: () => connection.destroy() };
}
