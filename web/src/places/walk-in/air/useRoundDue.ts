import { STANDARD_COLD_RULES } from '@calm/contract';
import { dateAt, minuteAt } from '../../../state/time/localDate';
import { useCursor } from '../../../state/time/useCursor';
import { roundDue, type RoundDue } from './roundDue';
import type { WalkInNow } from '../useWalkIn';

/** Which round by hand is next today, by what somebody has written down. */
export function useRoundDue({ board, cold }: WalkInNow): RoundDue {
  const { nowMs } = useCursor();
  const { timeZone, settings } = board.book.house;
  const { roundMins } = settings.cold ?? STANDARD_COLD_RULES;
  const today = dateAt(nowMs, timeZone);
  const taken = cold.notes
    .filter(
      ({ content, at }) => content.kind === 'round' && dateAt(Date.parse(at), timeZone) === today,
    )
    .map(({ at }) => minuteAt(Date.parse(at), timeZone));
  return roundDue(roundMins, taken, minuteAt(nowMs, timeZone));
}
