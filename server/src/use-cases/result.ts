import type { FieldError } from '@calm/contract';
import type { ScaleReason } from '@calm/core';
import type { RecordName } from '../store/recordName';

/** Why a use case did nothing. Each becomes one problem document. */
export type Refusal =
  | {
      readonly kind: 'not-found';
      readonly what:
        'house' | 'lot' | 'load' | 'formula' | 'handover' | 'photo' | 'alarm' | RecordName;
    }
  | { readonly kind: 'stale'; readonly current: unknown; readonly sent: unknown }
  | { readonly kind: 'in-use'; readonly what: RecordName }
  | { readonly kind: 'already-started'; readonly current: unknown }
  | { readonly kind: 'cannot-scale'; readonly reasons: readonly ScaleReason[] }
  | { readonly kind: 'bad-input'; readonly errors: readonly FieldError[] };

/** What a use case came to. */
export type Result<T> = { readonly kind: 'done'; readonly value: T } | Refusal;

/** It worked. */
export const ok = <T>(value: T): Result<T> => ({ kind: 'done', value });

/** One field that cannot be. */
export const badInput = (path: string, code: string, message: string): Refusal => ({
  kind: 'bad-input',
  errors: [{ path, code, message }],
});
