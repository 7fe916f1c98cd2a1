import type {
  AdvisedChoice,
  AdviseDocument,
  DoughProblem,
  EquivalentAnswer,
  EquivalentDocument,
} from '@calm/contract';
import { advise, equivalentMinutes, ok, type Choice, type Result } from '@calm/core';
import { routeOfDocument, targetOf } from '../formulas/simulateDough';

/** What can be done with the dough of a document, the best first. */
export function adviseDocument(
  document: AdviseDocument,
): Result<readonly AdvisedChoice[], DoughProblem> {
  const route = routeOfDocument(document);
  if (!route.ok) return route;
  const { nowHour, services, places, problem } = document;
  const told = advise({
    route: route.value,
    nowHour,
    services,
    places,
    target: targetOf(document),
    ...(problem && { trouble: problem }),
  });
  return told.ok ? ok(told.value.map(choiceOf)) : told;
}

/** A choice as it crosses the wire. */
export function choiceOf({ window, ...choice }: Choice): AdvisedChoice {
  if (window?.kind !== 'ready') return { ...choice, window: null };
  const { kind: _ready, ...hours } = window;
  return { ...choice, window: hours };
}

/** Minutes at other temperatures that come to the same. */
export function equivalentDocument(
  document: EquivalentDocument,
): Result<EquivalentAnswer, DoughProblem | { readonly kind: 'no-such-stage' }> {
  const route = routeOfDocument(document);
  if (!route.ok) return route;
  const minutes = equivalentMinutes(route.value, document.stage, document.tempsC);
  return minutes.ok ? ok({ minutes: minutes.value }) : minutes;
}
