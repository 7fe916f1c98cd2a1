import type { FaultyLotDocument, HouseBook, Lot, LotRecord } from '@calm/contract';
import { faultsOf, faultyLotOf, loggedLot, type BoardLot } from '@calm/domain';
import { memo, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useLotLogQuery } from '../../../state/api/api';
import { useRecordOutcome } from '../../../state/outbox/useRecordOutcome';
import { useLogPagesInfiniteQuery } from '../logApi';
import { WhyDidIt } from './WhyDidIt';

const NONE: readonly FaultyLotDocument[] = [];

/** What was behind a lot's faults, by its own record and the last lot of its dough that opened well. */
export const WhyLot = memo(function WhyLot({
  house,
  book,
  lot,
  boardLot,
  records,
  mayTry,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly lot: Lot;
  readonly boardLot: BoardLot;
  readonly records: readonly LotRecord[];
  readonly mayTry: boolean;
}) {
  const { t } = useTranslation();
  const put = useRecordOutcome(house, lot);
  const prefermentC = book.house.settings.usualTempsC.preferment;
  const own = useMemo(
    () => faultyLotOf(boardLot, records, prefermentC),
    [boardLot, records, prefermentC],
  );
  const { data } = useLogPagesInfiniteQuery({
    house,
    query: { formulaId: lot.recipe.formulaId, found: 'well' },
  });
  const good = data?.pages[0]?.lots.find(({ id }) => id !== lot.id);
  const { data: goodLog } = useLotLogQuery({ house, lotOrCode: good?.id ?? '' }, { skip: !good });
  const lastGood = useMemo(() => {
    const logged = goodLog && loggedLot(goodLog.lot, goodLog.planned, book);
    const document = logged && faultyLotOf(logged, goodLog.records, prefermentC);
    return document ? [document] : NONE;
  }, [goodLog, book, prefermentC]);
  const found = useMemo(() => faultsOf(records), [records]);
  return (
    <WhyDidIt
      lot={own}
      lastGood={lastGood}
      found={found}
      trialOf={
        mayTry
          ? (words) =>
              `/${house}/log/trials?${new URLSearchParams({ formula: lot.recipe.formulaId, change: words }).toString()}`
          : undefined
      }
      onTry={
        mayTry
          ? (words) => put({ kind: 'said', note: t('causes.toTry', { what: words }) }, words)
          : undefined
      }
    />
  );
});
