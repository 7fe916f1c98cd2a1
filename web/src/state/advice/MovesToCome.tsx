import type { DecidedRecord } from '@calm/contract';
import { decidedMoves } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { useCursor } from '../time/useCursor';

/** Where a lot is still to be taken, as was decided; nothing where it is there. */
export function MovesToCome({ decided }: { readonly decided: DecidedRecord }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const moves = decidedMoves(decided, nowMs).map(({ atMs, place, isBalledAgain }) =>
    t(isBalledAgain ? 'whatNow.moveBalled' : 'whatNow.move', { at: f.moment(atMs), place }),
  );
  return moves.length > 0 ? <> {t('whatNow.toCome', { moves: f.list(moves) })}</> : null;
}
