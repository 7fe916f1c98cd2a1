import type { RecordChange } from '@calm/contract';
import { randomUUID } from 'node:crypto';
import type { Scope } from '../database/scope';
import { isDuplicate, isInUse } from '../database/transaction';
import { badInput, done, type Result } from './result';
import type { ShelfName } from '../store/recordName';
import type { Shelf } from '../store/repository';

/** Adds a record. A name that is taken is bad input. */
export async function addRecord<Content, Kept>(
  scope: Scope,
  shelf: Shelf<Content, Kept>,
  content: Content,
): Promise<Result<Kept>> {
  const lacking = await shelf.lacks?.(scope, content);
  if (lacking) return unknownId(lacking);
  const id = randomUUID();
  try {
    await shelf.insert(scope, id, content);
  } catch (error) {
    if (isDuplicate(error)) return nameTaken('name');
    throw error;
  }
  return found(shelf, await shelf.find(scope, id));
}

/** Writes a record over the version that was read. */
export async function changeRecord<Content, Kept>(
  scope: Scope,
  shelf: Shelf<Content, Kept>,
  id: string,
  change: RecordChange<Content>,
): Promise<Result<Kept>> {
  const lacking = await shelf.lacks?.(scope, change.content);
  if (lacking) return unknownId(`content/${lacking}`);
  let isWritten: boolean;
  try {
    isWritten = await shelf.write(scope, id, change.version, change.content);
  } catch (error) {
    if (isDuplicate(error)) return nameTaken('content/name');
    throw error;
  }
  const current = await shelf.find(scope, id);
  if (current && !isWritten) return { kind: 'stale', current, sent: change };
  return found(shelf, current);
}

/** Takes a record away, unless something refers to it. Gives back what was there. */
export async function removeRecord<Content, Kept>(
  scope: Scope,
  shelf: Shelf<Content, Kept>,
  id: string,
): Promise<Result<Kept>> {
  const there = await shelf.find(scope, id);
  if (!there) return { kind: 'not-found', what: shelf.what };
  try {
    await shelf.remove(scope, id);
  } catch (error) {
    if (isInUse(error)) return { kind: 'in-use', what: shelf.what };
    throw error;
  }
  return done(there);
}

function found<Kept>(shelf: { readonly what: ShelfName }, kept: Kept | null): Result<Kept> {
  return kept ? done(kept) : { kind: 'not-found', what: shelf.what };
}

const nameTaken = (path: string) =>
  badInput(path, 'name.taken', 'There is one of this name already.');

const unknownId = (path: string) => badInput(path, 'id.unknown', 'The house has no such thing.');
