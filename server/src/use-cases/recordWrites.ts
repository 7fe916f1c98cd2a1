import { ok, fail } from '@calm/core';
import type { RecordChange } from '@calm/contract';
import { randomUUID } from 'node:crypto';
import type { Scope } from '../database/scope';
import { isDuplicate, isInUse } from '../database/transaction';
import { noteChange } from './access/recordWrite';
import { badInput, type Result } from './result';
import type { RecordName } from '../store/recordName';
import type { Repository } from '../store/repository';

/** Adds a record. A name that is taken is bad input. */
export async function addRecord<Content, Stored>(
  scope: Scope,
  repository: Repository<Content, Stored>,
  content: Content,
): Promise<Result<Stored>> {
  const lacking = await repository.lacks?.(scope, content);
  if (lacking) return unknownId(lacking);
  const id = randomUUID();
  try {
    await repository.insert(scope, id, content);
  } catch (error) {
    if (isDuplicate(error)) return nameTaken('name');
    throw error;
  }
  const stored = await repository.find(scope, id);
  noteChange(scope, repository.what, id, null, stored as object | null);
  return found(repository, stored);
}

/** Writes a record over the version that was read. */
export async function changeRecord<Content, Stored>(
  scope: Scope,
  repository: Repository<Content, Stored>,
  id: string,
  change: RecordChange<Content>,
): Promise<Result<Stored>> {
  const lacking = await repository.lacks?.(scope, change.content);
  if (lacking) return unknownId(`content/${lacking}`);
  const before = await repository.find(scope, id);
  if (!before) return fail({ kind: 'not-found', what: repository.what });
  let isWritten: boolean;
  try {
    isWritten = await repository.write(scope, id, change.version, change.content);
  } catch (error) {
    if (isDuplicate(error)) return nameTaken('content/name');
    throw error;
  }
  const current = await repository.find(scope, id);
  if (current && !isWritten) return fail({ kind: 'stale', current, sent: change });
  noteChange(scope, repository.what, id, before as object | null, current as object | null);
  return found(repository, current);
}

/** Takes a record away, unless something refers to it. Gives back what was there. */
export async function removeRecord<Content, Stored>(
  scope: Scope,
  repository: Repository<Content, Stored>,
  id: string,
): Promise<Result<Stored>> {
  const there = await repository.find(scope, id);
  if (!there) return fail({ kind: 'not-found', what: repository.what });
  try {
    await repository.remove(scope, id);
  } catch (error) {
    if (isInUse(error)) return fail({ kind: 'in-use', what: repository.what });
    throw error;
  }
  noteChange(scope, repository.what, id, there as object, null);
  return ok(there);
}

function found<Stored>(
  repository: { readonly what: RecordName },
  stored: Stored | null,
): Result<Stored> {
  return stored ? ok(stored) : fail({ kind: 'not-found', what: repository.what });
}

const nameTaken = (path: string) =>
  badInput(path, 'name.taken', 'There is one of this name already.');

const unknownId = (path: string) => badInput(path, 'id.unknown', 'The house has no such thing.');

/** The three writes of one repository. */
export interface RecordWrites<Content, Stored> {
  add(scope: Scope, content: Content): Promise<Result<Stored>>;
  change(scope: Scope, id: string, change: RecordChange<Content>): Promise<Result<Stored>>;
  remove(scope: Scope, id: string): Promise<Result<Stored>>;
}

/** The writes of records that people add, change and delete. */
export const recordWrites = <Content, Stored>(
  repository: Repository<Content, Stored>,
): RecordWrites<Content, Stored> => ({
  add: (scope, content) => addRecord(scope, repository, content),
  change: (scope, id, change) => changeRecord(scope, repository, id, change),
  remove: (scope, id) => removeRecord(scope, repository, id),
});
