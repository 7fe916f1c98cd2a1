import { HOUR_MS, MINUTE_MS } from '../../units/time';
import {
  workMinutes,
  type LotSize,
  type RestStage,
  type Route,
  type WorkStage,
} from '../../formula/route';

/** A stage with its place in time. Instants are epoch milliseconds. */
export type PlannedStage = {
  readonly startMs: number;
  readonly endMs: number;
  /** Who does it, where a plan says so. */
  readonly personIds?: readonly string[];
} & ((WorkStage & { readonly index: number }) | (RestStage & { readonly index: number }));

/** A planned stage of work. */
export type PlannedWork = Extract<PlannedStage, { kind: 'work' }>;

/**
 * When each stage starts, counted back from the doors through the route's preferred hours and the
 * house's rates of work.
 *
 * @param route in dough's order; the last stage ends as the doors open
 * @param doorsMs when the balls shall be ready, epoch ms
 * @param size loads and balls, which set how long the work takes
 * @returns the route's stages with start and end, gapless, in dough's order
 */
export function countBack(route: Route, doorsMs: number, size: LotSize): PlannedStage[] {
  let endMs = doorsMs;
  return route
    .map((stage, index) => ({ stage, index }))
    .reverse()
    .map(({ stage, index }) => {
      const lengthMs =
        stage.kind === 'work'
          ? workMinutes(stage.rate, size) * MINUTE_MS
          : stage.hours.preferred * HOUR_MS;
      const planned: PlannedStage = { ...stage, index, startMs: endMs - lengthMs, endMs };
      endMs = planned.startMs;
      return planned;
    })
    .reverse();
}

/** The key a stage is recorded under: its place in the route and its name, e.g. `3-divide-ball`. */
export function stageKey(stage: { readonly index: number; readonly key: string }): string {
  return `${stage.index}-${stage.key}`;
}

/** Only the stages with hands on them. */
export function workOf(stages: readonly PlannedStage[]): PlannedWork[] {
  return stages.filter((stage): stage is PlannedWork => stage.kind === 'work');
}
