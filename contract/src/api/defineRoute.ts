import type { MachineKind } from '../access/machine';
import type { HousePart } from './housePart';
import type { Permission } from '../access/permissions';

/** How a route answers: a JSON document, nothing, a file, or events as they happen. */
export type RouteMedia = 'json' | 'none' | 'csv' | 'calendar' | 'jpeg' | 'zip' | 'events';

/** How long an answer is good. */
export interface KeptFor {
  /** The parts of the house that it is worked out from. */
  readonly on: readonly HousePart[];
  /** Until one of them is written, or, where it hangs on the time as well, the minute or the day is over. */
  readonly until: 'written' | 'minute' | 'day';
}

/** One route of the API, as data: the server mounts it, clients take their addresses from it. */
export interface RouteDefinition {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Below `API`; parts that begin with a colon are parameters. */
  readonly path: string;
  /** What somebody must be allowed to do; 'public' needs nobody to be signed in. */
  readonly permission: Permission | 'public';
  /** What can be asked after the question mark. */
  readonly query: readonly string[];
  readonly media: RouteMedia;
  /** When all went well. */
  readonly status: 200 | 201 | 204;
  /** The largest body, where the usual 32 kB are not enough. */
  readonly bodyLimit?: '200kb' | '1mb' | '8mb';
  /** The kind of machine that may, too, with its own token. */
  readonly machine?: MachineKind;
  /** What its answer hangs on: while none of that is written, and for so long, it is worked out once. */
  readonly kept?: KeptFor;
  /** Its answer is told once and kept nowhere. */
  readonly hasSecretAnswer?: true;
  /** Tries from one device are counted and limited. */
  readonly isRateLimited?: true;
}

type Options = Partial<
  Pick<
    RouteDefinition,
    'media' | 'status' | 'bodyLimit' | 'isRateLimited' | 'machine' | 'hasSecretAnswer' | 'kept'
  >
> & { readonly query?: readonly string[] };

const route =
  <Method extends RouteDefinition['method'], Status extends RouteDefinition['status']>(
    method: Method,
    usualStatus: Status,
  ) =>
  <Path extends string, const Given extends Options = object>(
    path: Path,
    permission: Permission | 'public',
    options: Given = {} as Given,
  ) => ({
    method,
    path,
    permission,
    query: (options.query ?? []) as Given extends { readonly query: infer Names }
      ? Names
      : readonly [],
    media: options.media ?? ('json' as const),
    status: options.status ?? usualStatus,
    ...(options.bodyLimit && { bodyLimit: options.bodyLimit }),
    ...(options.kept && { kept: options.kept }),
    ...(options.machine && { machine: options.machine }),
    ...(options.hasSecretAnswer && { hasSecretAnswer: options.hasSecretAnswer }),
    ...(options.isRateLimited && { isRateLimited: options.isRateLimited }),
  });

export const get = route('get', 200);
export const post = route('post', 201);
export const put = route('put', 200);
export const remove = route('delete', 200);

/** The three writes of records that people add, change and delete. */
export function collection<Name extends string, Path extends string>(
  name: Name,
  path: Path,
  permission: Permission,
) {
  const all = `/houses/:house/${path}` as const;
  const one = `/houses/:house/${path}/:id` as const;
  return {
    [`add${name}`]: post(all, permission),
    [`change${name}`]: put(one, permission),
    [`remove${name}`]: remove(one, permission),
  } as { readonly [Key in `add${Name}`]: ReturnType<typeof post<typeof all>> } & {
    readonly [Key in `change${Name}`]: ReturnType<typeof put<typeof one>>;
  } & { readonly [Key in `remove${Name}`]: ReturnType<typeof remove<typeof one>> };
}
