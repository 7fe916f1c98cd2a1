import type { Database } from '../../database/database';
import { inTransaction } from '../../database/transaction';
import {
  lockAccess,
  readOwnership,
  readUnownedHouses,
  writeSetupHash,
} from '../../store/access/ownership';
import { hasHouse, lockInstallation, writeInstallationCode } from '../../store/access/installation';
import { drawSigns, PLAIN_SIGNS } from './drawSigns';
import { hashSecret } from './hashSecret';

const GROUPS = 3;
const GROUP_LENGTH = 4;

/** A code as it is printed: `K7QM-2XHD-9RTE`; guessing it takes 31^12 tries. */
const newCode = (): string =>
  Array.from({ length: GROUPS }, () => drawSigns(PLAIN_SIGNS, GROUP_LENGTH)).join('-');

/** A code as it was typed, in whatever groups and case. */
export const plainCode = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** A code to begin a house with, for whoever stands at the server. */
export interface SetupCode {
  /** The house that never had an owner; null is the first house of this server. */
  readonly slug: string | null;
  readonly code: string;
}

/**
 * A new code for every house that never had an owner, or for the first house of a server that has none. It is good for the first owner only; a code from before
 * no longer is. Codes themselves are not kept.
 */
export async function issueSetupCodes(db: Database): Promise<SetupCode[]> {
  const issued = await firstHouseCode(db);
  for (const { houseId, slug } of await readUnownedHouses(db)) {
    const code = newCode();
    const setupHash = await hashSecret(plainCode(code));
    const isIssued = await inTransaction(db, async (tx) => {
      const scope = { tx, houseId };
      await lockAccess(scope);
      if ((await readOwnership(scope)).isOwned) return false;
      await writeSetupHash(scope, setupHash);
      return true;
    });
    if (isIssued) issued.push({ slug, code });
  }
  return issued;
}

/** The code with which the first house begins; none where there is one. */
async function firstHouseCode(db: Database): Promise<SetupCode[]> {
  const code = newCode();
  const setupHash = await hashSecret(plainCode(code));
  const isIssued = await inTransaction(db, async (tx) => {
    await lockInstallation(tx);
    if (await hasHouse(tx)) return false;
    await writeInstallationCode(tx, setupHash);
    return true;
  });
  return isIssued ? [{ slug: null, code }] : [];
}
