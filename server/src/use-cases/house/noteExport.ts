import type { Database } from '../../database/database';
import { inTransaction } from '../../database/transaction';
import { appendAudit } from '../../store/access/auditLog';

/** Puts on record that somebody took everything of a house out of it: reading that much is nobody's everyday. */
export const noteExport = (
  db: Database,
  houseId: string,
  personId: string | null,
  at: Date,
): Promise<void> =>
  inTransaction(db, (tx) =>
    appendAudit(
      { tx, houseId },
      {
        at,
        personId,
        machineId: null,
        permission: 'see',
        method: 'GET',
        path: '/archive.zip',
        changes: [],
      },
    ),
  );
