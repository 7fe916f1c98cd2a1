import { fail, ok } from '@calm/core';
import {
  type FirstHouseStart,
  type HouseStart,
  type HouseSummary,
  type OwnerStart,
} from '@calm/contract';
import { settingsOf, starterSet } from '@calm/domain/houses';
import { verify } from '@node-rs/argon2';
import { randomUUID } from 'node:crypto';
import type { Database, Queries } from '../../database/database';
import type { Scope } from '../../database/scope';
import { inTransaction } from '../../database/transaction';
import { personRepository, readSecretHash, writeSecret } from '../../store/access/crew';
import { hasHouse, lockInstallation, writeInstallationCode } from '../../store/access/installation';
import { openSession } from '../../store/access/sessions';
import { insertHouse } from '../../store/house/newHouse';
import { hashSecret } from '../access/hashSecret';
import { recordWrite } from '../access/recordWrite';
import { weakness } from '../access/weakness';
import { plainCode } from '../access/setupCode';
import { allOrNothing } from '../allOrNothing';
import { badInput, type Result } from '../result';
import { fillHouse } from './fillHouse';

/** A house that has begun, and the session of whoever began it. */
export interface BegunHouse extends HouseSummary {
  readonly token: string;
}

/** Begins the first house of this server, for whoever has the code that it printed, and lets them in. */
export function startFirstHouse(
  db: Database,
  { house, owner }: FirstHouseStart,
  now: Date,
): Promise<Result<BegunHouse>> {
  const transaction = (work: (tx: Queries) => Promise<Result<BegunHouse>>) =>
    inTransaction(db, work);
  return allOrNothing(transaction, async (tx) => {
    const setupHash = await lockInstallation(tx);
    if (await hasHouse(tx))
      return badInput('', 'house.there', 'This server has its first house already.');
    if (setupHash === null || !(await verify(setupHash, plainCode(owner.code))))
      return badInput(
        'owner/code',
        'code.wrong',
        'That is not the set-up code that the server printed.',
      );
    const names = [owner.name, house.name];
    const weak = await weakness('manager', owner.password, names, 'owner/password');
    if (weak) return weak;
    await writeInstallationCode(tx, null);
    return begin(tx, house, { ...owner, secretHash: await hashSecret(owner.password) }, now);
  });
}

/** Begins another house, with the same manager, who comes in there by the same password. */
export async function startHouse(
  scope: Scope,
  house: HouseStart,
  managerId: string | null,
  now: Date,
): Promise<Result<BegunHouse>> {
  const manager = managerId === null ? null : await personRepository.find(scope, managerId);
  const secretHash = managerId === null ? null : await readSecretHash(scope, managerId);
  if (!manager || !secretHash) return fail({ kind: 'signed-out' });
  return begin(scope.tx, house, { ...manager, secretHash }, now);
}

async function begin(
  tx: Queries,
  start: HouseStart,
  owner: Pick<OwnerStart, 'name' | 'initials'> & { readonly secretHash: string },
  now: Date,
): Promise<Result<BegunHouse>> {
  const set = start.starter === null ? null : starterSet(start.starter);
  const settings = { ...settingsOf(start), ...set?.settings };
  const { name, timeZone } = start;
  const { id: houseId, slug } = await insertHouse(tx, { name, timeZone, settings }, now);
  const scope: Scope = { tx, houseId, trail: [] };
  const personId = randomUUID();
  const person = { name: owner.name, initials: owner.initials, role: 'manager' as const };
  const skills = set?.owner.skills ?? ['mix', 'ball', 'cold', 'oven'];
  await personRepository.insert(scope, personId, { ...person, skills: [...skills] });
  await writeSecret(scope, personId, owner.secretHash);
  if (set) {
    const filled = await fillHouse(scope, set, personId, now);
    if (!filled.ok) return filled;
  }
  await recordWrite(scope, {
    now,
    personId,
    machineId: null,
    permission: 'sign-in',
    method: 'POST',
    path: '/houses',
  });
  return ok({ slug, name, token: await openSession(scope, personId, now) });
}
