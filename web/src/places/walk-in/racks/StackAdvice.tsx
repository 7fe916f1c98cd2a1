import type { Lot } from '@calm/contract';
import type { BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { BackWords } from '../../../parts/lots/BackWords';
import { useWhatNow } from '../../../state/advice/useWhatNow';
import type { Board } from '../../../state/board/useBoard';

/** Until when trays that are taken out may go back into the cold, and the way to what else can be done with them. */
export function StackAdvice({
  board,
  boardLot,
  lot,
}: {
  readonly board: Board;
  readonly boardLot: BoardLot;
  readonly lot: Lot;
}) {
  const { t } = useTranslation();
  const { latest } = useWhatNow(board, boardLot);
  const answer = latest?.answer;
  const asked = latest?.question;
  return (
    <>
      {asked && answer?.ok && <BackWords back={answer.value.back} mixedMs={asked.way.mixedMs} />}
      <p>
        <Button
          variant="outlined"
          component={Link}
          to={`/${board.house}/tonight/what-now/${lot.id}`}
        >
          {t('whatNow.ask')}
        </Button>
      </p>
    </>
  );
}
