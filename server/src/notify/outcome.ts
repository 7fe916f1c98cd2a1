/** What became of telling something. */
export type Outcome =
  | { readonly kind: 'sent' }
  /** It was not taken, and may be later. */
  | { readonly kind: 'later'; readonly fault: string }
  /** It was not taken and will not be, or nobody knows whether it was. */
  | { readonly kind: 'never'; readonly fault: string }
  /** There is nobody there any more. */
  | { readonly kind: 'gone'; readonly fault: string };

/** What an answer of HTTP means for what was posted. */
export function outcomeOf(status: number): Outcome {
  if (status >= 200 && status < 300) return { kind: 'sent' };
  const fault = `answered ${status}`;
  if (status === 404 || status === 410) return { kind: 'gone', fault };
  // Too busy, or broken for now; anything else will be the same next time.
  const isForNow = status === 408 || status === 429 || status >= 500;
  return { kind: isForNow ? 'later' : 'never', fault };
}

/** What an error says, in one line. */
export const faultOf = (error: unknown): string =>
  error instanceof Error
    ? `${(error as NodeJS.ErrnoException).code ?? ''} ${error.message}`.trim()
    : String(error);
