import type { Oven, Service } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';
import { TEST_BAKE_MIN } from './ovenLoad';

/** Work at the oven and the bench before doors. */
const SERVICE_TASKS = ['light', 'flour', 'test-bake'] as const;

/** What such work is about. */
export type ServiceTaskKind = (typeof SERVICE_TASKS)[number];

/** One piece of it. */
export interface ServiceTask {
  readonly kind: ServiceTaskKind;
  /** Under which it is marked as done, on a lot of the service: of that day, since balls may be carried to the next. */
  readonly key: string;
  /** The oven that is lit; empty where it is about none. */
  readonly oven: string;
  /** When it is due, epoch ms. */
  readonly atMs: number;
  /** Flour for bench and peel, g; 0 for what needs none. */
  readonly grams: number;
}

/** Flour and semolina that a ball takes from bench and peel, g. Starting value, plausible 4–10. */
const BENCH_FLOUR_G = 6;

/** Before doors, min. */
const FLOUR_MIN = 30;

/**
 * What is to be done at ovens and bench before the doors open, in time's order: each oven lit so that it bakes at the
 * test, flour for bench and peel, one ball baked to see how the oven is.
 *
 * @param balls that the service wants
 * @returns none where nothing is baked
 */
export function serviceTasks(
  ovens: readonly Oven[],
  service: Pick<Service, 'date' | 'patternId' | 'startsAt'>,
  balls: number,
): ServiceTask[] {
  if (balls <= 0) return [];
  const doorsMs = Date.parse(service.startsAt);
  const before = (minutes: number) => doorsMs - minutes * MINUTE_MS;
  const keyOf = (kind: ServiceTaskKind, number = 0) =>
    `${kind}-${number}-${service.date}-${service.patternId.toLowerCase().replace(/[^a-z0-9-]/g, '-')}`;
  const plain = { oven: '', grams: 0 };
  return [
    ...ovens.map(({ name, heatUpMin }, i): ServiceTask => ({
      ...plain,
      kind: 'light',
      key: keyOf('light', i),
      oven: name,
      atMs: before(heatUpMin + TEST_BAKE_MIN),
    })),
    {
      ...plain,
      kind: 'flour' as const,
      key: keyOf('flour'),
      atMs: before(FLOUR_MIN),
      grams: balls * BENCH_FLOUR_G,
    },
    { ...plain, kind: 'test-bake' as const, key: keyOf('test-bake'), atMs: before(TEST_BAKE_MIN) },
  ].toSorted((a, b) => a.atMs - b.atMs);
}

/** Whether a mark of a whole lot is of such work. */
export const isServiceTask = (stepKey: string): boolean =>
  SERVICE_TASKS.some((kind) => new RegExp(`^${kind}-\\d+-`).test(stepKey));
