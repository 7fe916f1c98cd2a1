import { stepsLeft, type SetUpStep } from '@calm/domain/houses';
import { useLogQuery, usePlanQuery } from '../api/api';
import { usePermission } from '../api/usePermission';
import type { Board } from './useBoard';

const ANY = {};
const NONE: readonly SetUpStep[] = [];

/**
 * What a house still needs before its first dough; none for whoever could not enter it, nor before it is known.
 *
 * @param board of the coming days; null until it is there
 */
export function useSetUp(board: Board | null): readonly SetUpStep[] {
  const mayBook = usePermission('book');
  const house = board?.house ?? '';
  // A house at work has a lot on its board: only one that has none is asked whether it ever had.
  const isAtWork = board === null || board.lots.some(({ lot }) => lot !== null);
  const skip = !mayBook || isAtWork;
  const plan = usePlanQuery(house, { skip });
  const log = useLogQuery({ house, query: ANY }, { skip });
  if (skip || !plan.data || !log.data) return NONE;
  const hasLot = log.data.lots.length > 0;
  return stepsLeft({ ...board, plan: plan.data, hasLot });
}
