import { onConnection, type Database, type Queries } from './database';
import { connectionWithin } from './transaction';

/** A database as of one moment, on a connection of its own, until it is let go. */
export interface Snapshot {
  readonly tx: Queries;
  /** Lets the connection go; nothing can be read after. */
  readonly end: () => void;
}

/**
 * Takes a snapshot, in which much is read while others write.
 *
 * @throws DatabaseBusy when there is no connection for it in time
 */
export async function takeSnapshot(db: Database): Promise<Snapshot> {
  const connection = await connectionWithin(db);
  try {
    await connection.query('set transaction isolation level repeatable read');
    await connection.query('start transaction with consistent snapshot, read only');
  } catch (error) {
    connection.destroy();
    throw error;
  }
  return { tx: onConnection(connection), end: () => connection.destroy() };
}
