import type { RecordChange } from '@calm/contract';
import { randomUUID } from 'node:crypto';
import type { Scope } from '../store/scope';
import { isDuplicate, isInUse } from '../store/transaction';
import { badInput, done, type Result, type ShelfName } from './result';

/** Records of one kind that people add, change and take away again. */
export interface Shelf<Content, Kept> {
  readonly what: ShelfName;
  /** Null when the house has none of this id. */
  find(scope: Scope, id: string): Promise<Kept | null>;
  /** What the content refers to and the house lacks, as the field that does; null when all is there. */
  lacks?(scope: Scope, content: Content): Promise<string | null>;
  insert(scope: Scope, id: string, content: Content): Promise<unknown>;
  /** False when somebody has written it since this version, or it is gone. */
  write(scope: Scope, id: string, read: number, content: Content): Promise<boolean>;
  remove(scope: Scope, id: string): Promise<unknown>;
}

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
