import type { Problem } from '@calm/contract';

/** The problem document behind a failed request; null when the server was not reached at all. */
export function problemOf<Both = unknown>(error: unknown): Problem<Both> | null {
  const data = (error as { data?: unknown } | null)?.data;
  const text = typeof data === 'string' ? data : null;
  const parsed = text ? parseProblem(text) : data;
  const isProblem = typeof parsed === 'object' && parsed !== null && 'type' in parsed;
  return isProblem ? (parsed as Problem<Both>) : null;
}

function parseProblem(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
