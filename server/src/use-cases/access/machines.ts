import type { Machine, MachineIssued, MachineStart } from '@calm/contract';
import { fail, ok } from '@calm/core';
import { randomUUID } from 'node:crypto';
import type { Database } from '../../database/database';
import type { Scope } from '../../database/scope';
import { reading } from '../../database/transaction';
import {
  findMachine,
  findMachineByToken,
  insertMachine,
  readMachines,
  writeRevoked,
  type KnownMachine,
} from '../../store/access/machines';
import { newToken } from '../../store/access/token';
import { probeRepository } from '../../store/cold/probes';
import { badInput, type Result } from '../result';
import { noteChange } from './recordWrite';

export type { KnownMachine };

/** Which machine of a house posts with a token; null when none may. */
export const machineOf = (
  db: Database,
  house: string,
  token: string,
): Promise<KnownMachine | null> => reading(db, (tx) => findMachineByToken(tx, house, token));

/** Every machine that was ever let in. */
export const machinesOf = (scope: Scope): Promise<Machine[]> => readMachines(scope);

/** Lets a probe or a till in. Its token is told this once. */
export async function issueMachine(
  scope: Scope,
  start: MachineStart,
  now: Date,
): Promise<Result<MachineIssued>> {
  if (start.probeId !== null && !(await probeRepository.find(scope, start.probeId)))
    return badInput('probeId', 'id.unknown', 'The house has no such probe.');
  const [id, token] = [randomUUID(), newToken()];
  await insertMachine(scope, id, start, token, now);
  const machine = await findMachine(scope, id);
  if (!machine) return fail({ kind: 'not-found', what: 'machine' });
  noteChange(scope, 'machine', id, null, machine);
  return ok({ machine, token });
}

/** Makes a machine's token good for nothing, at once and for good. */
export async function revokeMachine(scope: Scope, id: string, now: Date): Promise<Result<Machine>> {
  const before = await findMachine(scope, id);
  await writeRevoked(scope, id, now);
  const after = await findMachine(scope, id);
  if (!after) return fail({ kind: 'not-found', what: 'machine' });
  noteChange(scope, 'machine', id, before, after);
  return ok(after);
}
