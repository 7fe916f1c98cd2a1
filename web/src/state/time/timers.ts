import { MINUTE_MS, stageKey, YEAST_PROOF_MIN } from '@calm/core';
import { AHEAD_STEP, PROOF_TEST_STEP } from '@calm/contract';
import { aheadSteps, type BoardLot } from '@calm/domain';

/** A step that hands are on, and until when. */
export interface Timer {
  /** Names it on this device. */
  readonly key: string;
  readonly boardLot: BoardLot;
  readonly loadNumber: number;
  readonly stepKey: string;
  /** In the house's words; null for a stage of the route, which has a word of its own. */
  readonly title: string | null;
  readonly startedMs: number;
  readonly endsMs: number;
}

/** The name of a step's timer. */
export const timerKey = (lotId: string, loadNumber: number, stepKey: string): string =>
  `timer/${lotId}/${loadNumber}/${stepKey}`;

/**
 * Everything that is timed at a moment: steps that were begun, are not done, and last some minutes. They are
 * calculated from the record, so that they outlive a reload, a sleeping tablet and a change of device.
 */
export function timersOf(lots: readonly BoardLot[]): Timer[] {
  return lots
    .flatMap((boardLot) =>
      (boardLot.lot?.marks ?? []).flatMap((mark): Timer[] => {
        const { loadNumber, stepKey, startedAt, doneAt, extraMin } = mark;
        if (startedAt === null || doneAt !== null) return [];
        const timed = minutesOf(boardLot, loadNumber, stepKey);
        if (!timed) return [];
        const startedMs = Date.parse(startedAt);
        return [
          {
            key: timerKey(boardLot.lot?.id ?? '', loadNumber, stepKey),
            boardLot,
            loadNumber,
            stepKey,
            title: timed.title,
            startedMs,
            endsMs: startedMs + (timed.minutes + extraMin) * MINUTE_MS,
          },
        ];
      }),
    )
    .sort((a, b) => a.endsMs - b.endsMs);
}

function minutesOf(
  { stages, recipe }: BoardLot,
  loadNumber: number,
  stepKey: string,
): { minutes: number; title: string | null } | null {
  if (loadNumber > 0) {
    const step = recipe.method.steps.find(({ key }) => key === stepKey);
    return step?.minutes ? { minutes: step.minutes, title: step.title } : null;
  }
  if (stepKey === PROOF_TEST_STEP) return { minutes: YEAST_PROOF_MIN, title: null };
  const ahead = aheadSteps(recipe).find(({ key }) => `${AHEAD_STEP}${key}` === stepKey);
  if (ahead) return ahead.minutes ? { minutes: ahead.minutes, title: ahead.title } : null;
  const stage = stages.find((each) => stageKey(each) === stepKey);
  return stage ? { minutes: (stage.endMs - stage.startMs) / MINUTE_MS, title: null } : null;
}

/** `4:05`; past its end it counts on with a sign: `+0:30`. */
export function countdown(endsMs: number, atMs: number): string {
  const seconds = Math.ceil((endsMs - atMs) / 1000);
  const left = Math.abs(seconds);
  const [hours, minutes] = [Math.floor(left / 3600), Math.floor((left % 3600) / 60)];
  const two = (n: number) => String(n).padStart(2, '0');
  const clock =
    hours > 0 ? `${hours}:${two(minutes)}:${two(left % 60)}` : `${minutes}:${two(left % 60)}`;
  return seconds < 0 ? `+${clock}` : clock;
}
