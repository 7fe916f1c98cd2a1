import type { BoardLot } from '@calm/domain';
import { stageKey, type PullWave } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { markOf } from '../../state/outbox/outboxLots';
import { useOutboxItems } from '../../state/outbox/useOutboxItems';
import { useAddRecord } from '../../state/outbox/useRecords';
import type { ServiceBalls } from './serviceBalls';

/** Puts a wave on record as pulled; the first one ticks the lot's pull off too. Undo takes both back. */
export function usePull(
  house: string,
): (lot: BoardLot, balls: ServiceBalls, wave: PullWave) => void {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const add = useAddRecord(house);
  const post = useOutboxItems(house);
  return (boardLot, { product, serviceId, pull }, { trays, balls }) => {
    const { lot } = boardLot;
    if (!lot) return;
    const content = { kind: 'pulled', productId: product.id, serviceId, trays, balls } as const;
    const words = t('tonight.pulled', { count: trays, product: product.name });
    const id = add(lot.id, content, words);
    const mark = pull && markOf(lot, 0, stageKey(pull));
    const tick = (isDone: boolean, version: number) => {
      if (!mark) return;
      const { loadNumber, stepKey } = mark;
      const change = { isDone, version };
      post({ kind: 'mark', lotId: lot.id, loadNumber, stepKey, change }, words);
    };
    const isFirst = mark?.doneAt === null;
    if (isFirst) tick(true, mark.version);
    changed(words, () => {
      add(lot.id, { ...content, trays: 0, balls: 0 }, t('tonight.pullBack', { what: words }), id);
      if (isFirst) tick(false, mark.version + 1);
      return Promise.resolve();
    });
  };
}
