import type { FieldError } from '@calm/contract';

/** What a command comes to: a document for standard output, or one for standard error. */
export type Answer =
  | { readonly kind: 'done'; readonly document: unknown }
  /** Exit 2: the input is wrong; every problem with its path. */
  | { readonly kind: 'bad-input'; readonly problems: readonly FieldError[] }
  /** Exit 1: the input is fine but it cannot be done; why, and what would work. */
  | {
      readonly kind: 'cannot';
      readonly why: readonly string[];
      readonly reasons: readonly unknown[];
      /** Single changes that would work, the nearest first. */
      readonly alternatives?: readonly unknown[];
    };

/** Exit code of an answer. */
export function exitCode(answer: Answer): 0 | 1 | 2 {
  if (answer.kind === 'done') return 0;
  return answer.kind === 'cannot' ? 1 : 2;
}

/** One problem that is not about a field of the document. */
export function badInput(message: string, code: string): Answer {
  return { kind: 'bad-input', problems: [{ path: '', code, message }] };
}
