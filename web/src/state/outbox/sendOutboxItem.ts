import { routeRequest, type RouteRequest, type Mark, type Problem } from '@calm/contract';
import { isObject } from '../storage';
import type { OutboxCommand, OutboxItem } from './outbox';

/** What became of sending. */
export type Sent =
  | { readonly kind: 'taken'; readonly answer: unknown }
  | { readonly kind: 'refused'; readonly refusal: Problem }
  /** Not reached, or not now: it is to be sent again. */
  | { readonly kind: 'later' }
  /** Nobody is signed in. */
  | { readonly kind: 'signed-out' };

/** Longest wait for an answer, ms: after it the house counts as not reached. */
const WAIT_MS = 10_000;

/** Sends one command to the house. The same item sent twice is done once. */
export async function sendOutboxItem({ id, house, command }: OutboxItem): Promise<Sent> {
  const { url, method, body } = requestOf(house, command);
  let answer: Response;
  try {
    answer = await fetch(url, {
      method,
      headers: { 'Content-Type': 'application/json', 'Idempotency-Key': id },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(WAIT_MS),
    });
    if (answer.ok) return { kind: 'taken', answer: await answer.json() };
  } catch {
    return { kind: 'later' };
  }
  const refusal = await problemIn(answer);
  if (!refusal || answer.status === 429 || answer.status >= 500) return { kind: 'later' };
  if (answer.status === 401) return { kind: 'signed-out' };
  const isSo = command.kind === 'mark' && isAlready(command, refusal);
  return isSo ? { kind: 'taken', answer: refusal.current } : { kind: 'refused', refusal };
}

/** What the house says is a problem document; a page of something on the way is not the house. */
async function problemIn(answer: Response): Promise<Problem | null> {
  const problem: unknown = await answer.json().catch(() => null);
  return isObject(problem) && typeof problem['type'] === 'string'
    ? (problem as unknown as Problem)
    : null;
}

/** Somebody has done the same meanwhile: there is nothing to choose between. */
function isAlready(
  { change }: Extract<OutboxCommand, { kind: 'mark' }>,
  { current }: Problem,
): boolean {
  const theirs = current as Mark | undefined;
  if (!theirs || change.extraMin !== undefined || change.personId !== undefined) return false;
  if (change.skippedWhy !== undefined) return false;
  if (change.isDone === true) return theirs.doneAt !== null && theirs.skippedWhy === null;
  if (change.isDone === false) return theirs.doneAt === null;
  return change.isStarted === (theirs.startedAt !== null);
}

function requestOf(house: string, command: OutboxCommand): RouteRequest {
  switch (command.kind) {
    case 'mark':
      return routeRequest(
        'changeMark',
        [house, command.lotId, command.loadNumber, command.stepKey],
        command.change,
      );
    case 'load':
      return routeRequest('changeLoad', [house, command.lotId, command.number], command.change);
    case 'record':
      return routeRequest('addLotRecord', [house, command.lotId], command.start);
    case 'handover':
      return routeRequest('addHandover', [house], command.start);
    case 'practice':
      return routeRequest('addPractice', [house], command.start);
    case 'cold':
      return routeRequest('addColdNote', [house], command.start);
  }
}
