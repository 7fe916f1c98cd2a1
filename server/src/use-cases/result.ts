import { fail, type ScaleReason } from '@calm/core';
import type * as core from '@calm/core';
import type { FieldError } from '@calm/contract';
import type { RecordName } from '../store/recordName';

/** Why a use case did nothing. Each becomes one problem document. */
export type Refusal =
  | { readonly kind: 'signed-out' }
  | { readonly kind: 'put-aside' }
  | {
      readonly kind: 'not-found';
      readonly what:
        | 'house'
        | 'lot'
        | 'load'
        | 'step'
        | 'session'
        | 'formula'
        | 'handover'
        | 'photo'
        | 'alarm'
        | 'proposal'
        | 'trial'
        | 'machine'
        | 'calendar link'
        | 'device'
        | 'webhook'
        | RecordName;
    }
  | { readonly kind: 'stale'; readonly current: unknown; readonly sent: unknown }
  | { readonly kind: 'in-use'; readonly what: RecordName | 'formula' | 'handover' }
  | { readonly kind: 'already-started'; readonly current: unknown }
  | { readonly kind: 'cannot-scale'; readonly reasons: readonly ScaleReason[] }
  | { readonly kind: 'bad-input'; readonly errors: readonly FieldError[] };

/** What a use case came to; a refusal is the one reason why it did nothing. */
export type Result<T> = core.Result<T, Refusal>;

/** A refusal, as a use case hands it back. */
export type Refused = Extract<Result<never>, { readonly ok: false }>;

/** One field that cannot be. */
export const badInput = (path: string, code: string, message: string): Refused =>
  fail<Refusal>({ kind: 'bad-input', errors: [{ path, code, message }] });
