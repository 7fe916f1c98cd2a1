import { ROUTES } from './routeTable';

/** Where the API lives. */
export const API = '/api/v1';

export type RouteName = keyof typeof ROUTES;

/** Every route's name, in the table's order. */
export const ROUTE_NAMES = Object.keys(ROUTES) as readonly RouteName[];

/** The parameters of a path, by name. */
export type PathParams<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathParams<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

type PathValues<Path extends string> = Path extends `${string}:${string}/${infer Rest}`
  ? [value: string | number, ...PathValues<`/${Rest}`>]
  : Path extends `${string}:${string}`
    ? [value: string | number]
    : [];

type QueryNames<Name extends RouteName> = (typeof ROUTES)[Name]['query'][number];

/** What is asked after the question mark; what is absent or empty is not asked. */
export type RouteQuery<Name extends RouteName> = {
  readonly [Key in QueryNames<Name>]?: string | number | undefined;
};

/** What the address of a route is made of: its parameters in order, then what is asked. */
export type AddressParts<Name extends RouteName> = [
  ...PathValues<(typeof ROUTES)[Name]['path']>,
  query?: RouteQuery<Name>,
];

/** The names of a path's parameters, in order. */
export const paramNames = (path: string): string[] =>
  [...path.matchAll(/:([A-Za-z]+)/g)].map(([, name]) => name ?? '');

type QueryValues = Readonly<Record<string, string | number | undefined>>;

function fill(name: RouteName, parts: readonly unknown[]): string {
  const { path } = ROUTES[name];
  const values = [...parts];
  const filled = path.replace(/:[A-Za-z]+/g, () => encodeURIComponent(String(values.shift())));
  const asked = Object.entries((values.shift() ?? {}) as QueryValues)
    .filter(([, value]) => value !== undefined && value !== '')
    .map(([key, value]): [string, string] => [key, String(value)]);
  const search = asked.length === 0 ? '' : `?${new URLSearchParams(asked).toString()}`;
  return `${API}${filled}${search}`;
}

/** A write as a client sends it: method and address from the table. */
export interface RouteRequest {
  readonly url: string;
  readonly method: string;
  readonly body?: unknown;
}

/** The request of a route, without a body where it has none. */
export function routeRequest<Name extends RouteName>(
  name: Name,
  parts: AddressParts<Name>,
  body?: unknown,
): RouteRequest {
  return {
    url: fill(name, parts),
    method: ROUTES[name].method.toUpperCase(),
    ...(body !== undefined && { body }),
  };
}

/** Records that people add, change and delete, by the name in their routes. */
export type CollectionName = {
  [Name in RouteName]: Name extends `remove${infer Collection}` ? Collection : never;
}[RouteName];

/** The three writes of a collection, as requests. */
export interface CollectionRequests {
  add(house: string, content: unknown): RouteRequest;
  change(house: string, id: string, change: unknown): RouteRequest;
  remove(house: string, id: string): RouteRequest;
}

/** The requests of a collection's writes. */
export const collectionRequests = (name: CollectionName): CollectionRequests => ({
  add: (house, content) => routeRequest(`add${name}`, [house], content),
  change: (house, id, change) => routeRequest(`change${name}`, [house, id], change),
  remove: (house, id) => routeRequest(`remove${name}`, [house, id]),
});

type Paths = { readonly [Name in RouteName]: (...parts: AddressParts<Name>) => string };

/**
 * The address of every route, by its name: `paths.lot('lantern-yard', id)`,
 * `paths.services('lantern-yard', { from: '2026-11-25', days: 2 })`.
 */
export const paths = Object.fromEntries(
  ROUTE_NAMES.map((name) => [name, (...parts: readonly unknown[]) => fill(name, parts)]),
) as unknown as Paths;

/** With each answer the server says here which version of the pages it serves. */
export const VERSION_HEADER = 'Calm-Version';
