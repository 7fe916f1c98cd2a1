import { addressesOf } from './nodes';
import { isConnectionLost } from './transaction';

/**
 * What is wrong with a database's address, when that is why something failed.
 *
 * @returns a sentence that says what to do; null for any other error
 */
export function addressFault(error: unknown, databaseUrl: string): string | null {
  const { cause = error } = error as { cause?: unknown };
  const { code, message } = cause as NodeJS.ErrnoException;
  const { hostname, port, pathname } = new URL(addressesOf(databaseUrl)[0]);
  const asked = `the database at ${hostname}:${port || 3306}${pathname}`;
  if (code === 'ENOTFOUND' || isConnectionLost(cause))
    return `Cannot reach ${asked}. Start it, or correct DATABASE_URL.`;
  switch (code) {
    case 'ER_ACCESS_DENIED_ERROR':
    case 'ER_DBACCESS_DENIED_ERROR':
    case 'ER_BAD_DB_ERROR':
      return `Cannot use ${asked}: ${message}. Correct DATABASE_URL.`;
    case 'ER_NO_SUCH_TABLE':
      return `${asked.replace('the', 'The')} has no tables yet: run "npm run admin -- migrate".`;
    default:
      return null;
  }
}
