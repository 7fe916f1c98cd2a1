import type { AuditChange, House, HousePart, Permission } from '@calm/contract';
import { fail, ok } from '@calm/core';
import type { Database } from '../database/database';
import type { Scope } from '../database/scope';
import { inTransaction, reading, READING_MUCH } from '../database/transaction';
import { recordWrite } from './access/recordWrite';
import { findHouse } from '../store/house/houses';
import { allOrNothing } from './allOrNothing';
import { onlyOnce, type WriteKey } from './onlyOnce';
import type { Result } from './result';

/** Who asks for what, of which house. */
export interface HouseRequest {
  readonly slug: string;
  readonly now: Date;
  readonly personId: string | null;
  /** The machine that asks; null when it is somebody, or nobody. */
  readonly machineId: string | null;
  /** What it takes; a write is on record under it. */
  readonly permission: Permission | 'sign-in';
  readonly method: string;
  /** The address within the house. */
  readonly path: string;
  readonly isWrite: boolean;
  /** The name its device gave a write; null for none. */
  readonly key: WriteKey | null;
}

/** What a use case came to, and in which house. */
export interface InHouse<T> {
  readonly house: House;
  readonly value: T;
}

/**
 * Runs a use case in a house, in one transaction: a refusal takes everything back, a write that is sent
 * again is done once, and what was written is on record with who did it.
 */
export async function inHouse<T>(
  db: Database,
  request: HouseRequest,
  work: (scope: Scope, house: House) => Promise<Result<T>>,
): Promise<Result<InHouse<T>>> {
  // At read committed a transaction makes several reads no more of one moment than they are without.
  const around = request.isWrite ? inTransaction : reading;
  return allOrNothing(
    (inside) => around(db, inside, READING_MUCH),
    async (tx) => {
      const house = await findHouse(tx, request.slug);
      if (!house) return fail({ kind: 'not-found', what: 'house' });
      if (isHeldBack(house, request)) return fail({ kind: 'put-aside' });
      const trail: AuditChange[] = [];
      const alsoWritten = new Set<HousePart>();
      const scope = { tx, houseId: house.id, trail, alsoWritten };
      const result = await onlyOnce(scope, request.key, request.now, () => work(scope, house));
      if (!result.ok) return result;
      const { value, isAgain } = result.value;
      // Last of all: whoever writes in the same house waits from here until this is kept.
      if (request.isWrite && !isAgain) await recordWrite(scope, request, value);
      return ok({ house, value });
    },
  );
}

/** What is written also in a house that is put aside: who is here, how they read, and what becomes of it. */
const WRITTEN_ASIDE = /^\/(aside|erasure|session|sessions|new-secret)(\/|$)/;

const isHeldBack = ({ asideOn }: House, { isWrite, path }: HouseRequest): boolean =>
  asideOn !== null && isWrite && !WRITTEN_ASIDE.test(path);
