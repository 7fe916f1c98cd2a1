import type { BoardLot } from '@calm/domain';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useParams } from 'react-router';
import { Failed } from '../../parts/messages/Failed';
import { useFormats } from '../../parts/format/useFormats';
import { Message } from '../../parts/messages/Message';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { useBoard, type Board } from '../../state/board/useBoard';
import { findBoardLot } from './sheet/useSheet';

/** A day on which a house of today may have made dough: also the days around it can be asked for. */
const A_DATE = /^20[1-8]\d-\d{2}-\d{2}$/;
/** A day without any lot. */
const NO_LOTS_DATE = '2010-01-01';

/** A page about the lot that the address names by its date and product; or why there is none. */
export function WithLot({
  children,
}: {
  readonly children: (board: Board, lot: BoardLot) => ReactNode;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { date = '', product = '' } = useParams();
  const isDate = A_DATE.test(date) && !Number.isNaN(Date.parse(date));
  const { board, error, retry } = useBoard(isDate ? date : NO_LOTS_DATE);
  if (error && !board) return <Failed error={error} onRetry={retry} />;
  if (!board) return <WaitingPage />;
  const lot = isDate ? findBoardLot(board, date, product) : null;
  if (lot) return children(board, lot);
  const known = board.book.products.find((p) => p.slug === product);
  const isOpen = board.services.some((service) => service.date === date);
  const why = !known || !isDate ? 'unknown' : isOpen ? 'notWanted' : 'closed';
  return (
    <Message
      title={t(`mix.none.${why}`)}
      text={t(`mix.none.${why}How`, {
        product: known?.name ?? '',
        date: isDate ? f.date(date) : '',
      })}
      link={{ label: t('stops.demand'), to: `/${board.house}/demand?days=7` }}
    />
  );
}

/** A page about a lot that is under way. */
export function WithStartedLot({
  children,
}: {
  readonly children: (board: Board, lot: BoardLot) => ReactNode;
}) {
  const { t } = useTranslation();
  return (
    <WithLot>
      {(board, lot) =>
        lot.lot ? (
          children(board, lot)
        ) : (
          <Message
            title={t('mix.notStarted')}
            text={t('mix.notStartedHow')}
            link={{
              label: t('tonight.openSheet'),
              to: `/${board.house}/mix/${lot.date}/${lot.product.slug}`,
            }}
          />
        )
      }
    </WithLot>
  );
}
