import type { AuditChange, Permission } from '@calm/contract';
import { HOUR_MS } from '@calm/core';
import { createHash } from 'node:crypto';
import type { Scope } from '../../database/scope';
import { appendAudit, hasMachineLine } from '../../store/access/auditLog';
import { writeSeen } from '../../store/access/machines';
import { addWrite } from '../../store/writes';

/** Who wrote what, when and where in the house. */
export interface WriteOnRecord {
  readonly now: Date;
  readonly personId: string | null;
  readonly machineId: string | null;
  readonly permission: Permission | 'sign-in';
  readonly method: string;
  /** The address within the house. */
  readonly path: string;
}

/** Lines of one machine stand for so long each. */
const MACHINE_LINE_MS = HOUR_MS;

/**
 * Puts a write on record: whoever follows the house is told, and a line says who did what. What a machine posts every
 * minute is one line an hour.
 *
 * @param value what it came to: a write that noted no change is on record with the id of that
 */
export async function recordWrite(
  scope: Scope,
  { now, personId, machineId, permission, method, path }: WriteOnRecord,
  value: unknown = null,
): Promise<void> {
  await Promise.all([
    addWrite(scope, path, now),
    machineId === null ? null : writeSeen(scope, machineId, now),
  ]);
  const since = new Date(now.getTime() - MACHINE_LINE_MS);
  if (machineId !== null && (await hasMachineLine(scope, machineId, since))) return;
  const noted = scope.trail ?? [];
  const changes = noted.length > 0 ? noted : made(path, value);
  await appendAudit(scope, { at: now, personId, machineId, permission, method, path, changes });
}

/** Something new, by the collection it was added to and its id. */
function made(path: string, value: unknown): AuditChange[] {
  const id = typeof value === 'object' && value !== null && 'id' in value ? value.id : null;
  const what = path.split('/').findLast((part) => /^[a-z-]+$/.test(part)) ?? '';
  return typeof id === 'string' ? [{ what, id, before: null, after: null }] : [];
}

/** Notes for the record what a write changes, by the fields that differ. */
export function noteChange(
  scope: Scope,
  what: string,
  id: string,
  before: object | null,
  after: object | null,
): void {
  scope.trail?.push({ what, id, ...differing(before, after) });
}

/** Letters of a value that are kept as they are. */
const LONGEST_VALUE = 2000;

function differing(before: object | null, after: object | null) {
  const [old, young] = [before, after].map((one) => new Map(Object.entries(one ?? {})));
  const keys = [...new Set([...(old?.keys() ?? []), ...(young?.keys() ?? [])])].filter(
    (key) => textOf(old?.get(key)) !== textOf(young?.get(key)),
  );
  const pick = (of: Map<string, unknown> | undefined) =>
    Object.fromEntries(keys.map((key) => [key, short(of?.get(key))]));
  return { before: before && pick(old), after: after && pick(young) };
}

const textOf = (value: unknown): string => JSON.stringify(value ?? null);

/** A value, or how long it is and what it hashes to. */
function short(value: unknown): unknown {
  const text = textOf(value);
  if (text.length <= LONGEST_VALUE) return value ?? null;
  return { letters: text.length, sha256: createHash('sha256').update(text).digest('hex') };
}
