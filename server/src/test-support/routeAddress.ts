import { paramNames, paths, ROUTES, type RouteName } from '@calm/contract';
import { HOUSE, TODAY } from './testHouse';
import type { RouteExample } from './routeExamples';

const NO_ID = '00000000-0000-4000-8000-000000000000';

/** What a parameter is when nothing has to be found behind it. */
const NOWHERE: Readonly<Record<string, string | number>> = {
  house: HOUSE,
  formula: 'no-such-dough',
  date: TODAY,
  number: 1,
  loadNumber: 0,
  stepKey: 'pull',
};

/** The address of a route where its parameters name nothing. */
export function addressOfNothing(name: RouteName): string {
  const values = paramNames(ROUTES[name].path).map((param) => NOWHERE[param] ?? NO_ID);
  const path = paths[name] as (...parts: readonly unknown[]) => string;
  return path(...values);
}

/** The address of a route's example. */
export function addressOfExample(name: RouteName, example: RouteExample): string {
  const isInHouse = paramNames(ROUTES[name].path)[0] === 'house';
  const path = paths[name] as (...parts: readonly unknown[]) => string;
  return path(
    ...(isInHouse ? [example.house ?? HOUSE] : []),
    ...(example.params ?? []),
    ...(example.query ? [example.query] : []),
  );
}
