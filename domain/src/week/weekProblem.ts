import { MINUTE_MS, type PlannedLot, type WeekProblem } from '@calm/core';
import type { TimeInterval, TimedStep, WeekDocument } from '@calm/contract';

const minuteOf = (iso: string) => Math.floor(Date.parse(iso) / MINUTE_MS);

/** A whole minute as ISO 8601, UTC. */
export const instantOfMinute = (minute: number) => new Date(minute * MINUTE_MS).toISOString();

const stepOf = ({ startsAt, ...step }: TimedStep) => ({ ...step, startMin: minuteOf(startsAt) });

const intervalOf = ({ startsAt, endsAt }: TimeInterval) => ({
  startMin: minuteOf(startsAt),
  endMin: minuteOf(endsAt),
});

/** A document as the solver takes it. */
export function problemOfWeek(document: WeekDocument): WeekProblem {
  const { services, people, unsocial, underWay, published, pinned = [], now } = document;
  return {
    nowMin: minuteOf(now),
    services: services.map(({ startsAt, endsAt, ...service }) => ({
      ...service,
      ...intervalOf({ startsAt, endsAt }),
    })),
    wanted: document.wanted,
    products: document.products,
    doughs: document.doughs,
    people: people.map((person) => ({ ...person, shifts: person.shifts.map(intervalOf) })),
    benchPlaces: document.benchPlaces,
    places: document.places,
    tubKg: document.tubKg,
    unsocial: unsocial.map(intervalOf),
    frozenWorks: underWay.works.map((work) => ({ ...work, ...intervalOf(work) })),
    frozenRests: underWay.rests.map((rest) => ({ ...rest, ...intervalOf(rest) })),
    published: published.map(stepOf),
    pinned: pinned.map(stepOf),
    weights: document.weights,
  };
}

/** A planned lot with its moments as ISO 8601, UTC. */
export function lotDocument({ steps, rests, ...lot }: PlannedLot) {
  const timed = <Each extends { startMin: number; endMin: number }>({
    startMin,
    endMin,
    ...rest
  }: Each) => ({
    ...rest,
    startsAt: instantOfMinute(startMin),
    endsAt: instantOfMinute(endMin),
  });
  return { ...lot, steps: steps.map(timed), rests: rests.map(timed) };
}
