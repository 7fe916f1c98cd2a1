import type { Route, WorkKey, WorkRate } from '@calm/core';

/** Minutes are kept to tenths. */
const TENTHS = 10;

/**
 * A route on which a kind of work takes so many times as long.
 *
 * @returns the route itself where it has no such work
 */
export function routeTaking(route: Route, kind: WorkKey, factor: number): Route {
  if (!route.some(({ key }) => key === kind)) return route;
  const times = (minutes: number) => Math.round(minutes * factor * TENTHS) / TENTHS;
  const rateTaking = ({ fixedMin, perLoadMin, perHundredBallsMin }: WorkRate): WorkRate => ({
    fixedMin: times(fixedMin),
    ...(perLoadMin !== undefined && { perLoadMin: times(perLoadMin) }),
    ...(perHundredBallsMin !== undefined && { perHundredBallsMin: times(perHundredBallsMin) }),
  });
  return route.map((stage) =>
    stage.kind === 'work' && stage.key === kind
      ? { ...stage, rate: rateTaking(stage.rate) }
      : stage,
  );
}
