import type {
  AcceptedConstant,
  AdvisedChoice,
  AdviseDocument,
  DoughProblem,
  EquivalentAnswer,
  EquivalentDocument,
} from '@calm/contract';
import {
  advise,
  asSeen,
  equivalentMinutes,
  ok,
  type Choice,
  type DoughRoute,
  type Result,
} from '@calm/core';
import { routeOfDocument, targetOf } from '../formulas/simulateDough';

/** What can be done with dough, and what it was taken to be. */
export interface Advised {
  /** The best first. */
  readonly choices: readonly AdvisedChoice[];
  /** With what is seen of it: numbers with which simulating a choice's stages comes to what it says. */
  readonly constants: readonly AcceptedConstant[] | null;
}

/** What can be done with the dough of a document. */
export function adviseDocument(document: AdviseDocument): Result<Advised, DoughProblem> {
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
  if (!told.ok) return told;
  return ok({
    choices: told.value.map(choiceOf),
    constants: problem ? withYeast(document, seenYeast(route.value, document, problem)) : null,
  });
}

/** How strong the yeast is by what was seen, as a share of what was taken. */
function seenYeast(
  route: DoughRoute,
  document: AdviseDocument,
  problem: NonNullable<AdviseDocument['problem']>,
): number {
  const seen = asSeen(route, document.nowHour, problem, targetOf(document));
  return (seen.yeastActivity ?? 1) / (route.yeastActivity ?? 1);
}

/** A document's own numbers with its yeast so much stronger. */
function withYeast({ constants = [] }: AdviseDocument, by: number): AcceptedConstant[] {
  const own = constants.find(({ name }) => name === YEAST);
  const others = constants.filter(({ name }) => name !== YEAST);
  return [...others, { name: YEAST, factor: (own?.factor ?? 1) * by }];
}

const YEAST = 'yeast-activity';

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
