/** One bad field. `path` is in JSON-pointer style without the leading slash: `items/0/count`. */
export interface FieldError {
  readonly path: string;
  /** A Joi rule name such as `number.min`, or one of ours; the catalogues word it. */
  readonly code: string;
  /** The rule's limit, where it has one. */
  readonly limit?: number | string;
  /** Plain English, for logs and the command line. */
  readonly message: string;
}

/** Every kind of problem the server answers with; also the last part of `type`. */
export type ProblemKind =
  | 'bad-input'
  | 'signed-out'
  | 'wrong-secret'
  | 'not-allowed'
  | 'cross-site'
  | 'rate-limited'
  | 'not-found'
  | 'stale'
  | 'cannot-scale'
  | 'already-started'
  | 'in-use'
  | 'put-aside'
  | 'too-large'
  | 'not-json'
  | 'not-readable'
  | 'not-ready'
  | 'unexpected';

/** A problem document (RFC 9457). `Both` is the shape of what a stale write disagreed about. */
export interface Problem<Both = unknown> {
  /** `/problems/<kind>`. */
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  /** The request's id, also in the server's log. */
  readonly requestId: string;
  readonly errors?: readonly FieldError[];
  /** With `stale`: what the house holds now and what was sent. */
  readonly current?: Both;
  readonly sent?: unknown;
  /** With `cannot-scale`: the core's reasons, worded by the catalogues. */
  readonly reasons?: readonly unknown[];
}

/** The problem's kind, from its type. */
export function problemKind(problem: Pick<Problem, 'type'>): ProblemKind {
  return problem.type.replace(/^\/problems\//, '') as ProblemKind;
}
