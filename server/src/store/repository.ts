import type { Scope } from '../database/scope';
import type { RecordName } from './recordName';

/** Records of one kind that people add, change and take away again. */
export interface Repository<Content, Stored> {
  readonly what: RecordName;
  /** Null when the house has none of this id. */
  find(scope: Scope, id: string): Promise<Stored | null>;
  /** What the content refers to and the house lacks, as the field that does; null when all is there. */
  lacks?(scope: Scope, content: Content): Promise<string | null>;
  insert(scope: Scope, id: string, content: Content): Promise<unknown>;
  /** False when somebody has written it since this version, or it is gone. */
  write(scope: Scope, id: string, read: number, content: Content): Promise<boolean>;
  remove(scope: Scope, id: string): Promise<unknown>;
}
