import { isSameSpot, type ShownStack } from '@calm/domain';
import type { Spot } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { useAddRecord } from '../../../state/outbox/useRecords';
import { spotWords } from '../spotWords';

/** What hands do to trays; all of it is shown at once, kept without network, and can be undone. */
export interface Trays {
  /** From where they stand, or in from outside, to a position. */
  readonly move: (shown: ShownStack, to: Spot, trays?: number) => void;
  /** Puts trays on record where they best go. */
  readonly putAway: (shown: readonly ShownStack[]) => void;
  /** Of the position at hand first; of more than stands there, wherever the lot stands. */
  readonly discard: (
    shown: ShownStack,
    trays: number,
    inAll: { readonly trays: number; readonly balls: number },
    why: string,
  ) => void;
  readonly putFirst: (shown: ShownStack, isFirst: boolean) => void;
}

export function useTrays(house: string): Trays {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const add = useAddRecord(house);

  const moveOne = ({ lot, stack, isOnRecord }: ShownStack, to: Spot, trays: number) => {
    const { productId, spot } = stack;
    const balls = Math.round((stack.balls * trays) / stack.trays);
    const from = isOnRecord ? spot : null;
    const content = { kind: 'moved', productId, from, to, trays, balls } as const;
    const words = t('walkIn.moved', { code: lot.code, count: trays, to: spotWords(to) });
    const id = add(stack.lotId, content, words);
    const back = () =>
      add(stack.lotId, { ...content, trays: 0, balls: 0 }, t('walkIn.takenBack', { words }), id);
    return { words, back };
  };

  return {
    move: (shown, to, trays = shown.stack.trays) => {
      if (!shown.lot.lot || (shown.isOnRecord && isSameSpot(shown.stack.spot, to))) return;
      const { words, back } = moveOne(shown, to, trays);
      changed(words, () => Promise.resolve(void back()));
    },
    putAway: (all) => {
      const done = all
        .filter(({ lot }) => lot.lot !== null)
        .map((shown) => moveOne(shown, shown.stack.spot, shown.stack.trays));
      const trays = all.reduce((sum, { stack }) => sum + stack.trays, 0);
      changed(t('walkIn.putAway', { count: trays }), () => {
        for (const { back } of done) back();
        return Promise.resolve();
      });
    },
    discard: ({ lot, stack, isOnRecord }, trays, inAll, why) => {
      const { productId, spot } = stack;
      const isHere = trays <= stack.trays;
      const of = isHere ? stack : inAll;
      const balls = Math.round((of.balls * trays) / of.trays);
      const from = isOnRecord && isHere ? spot : null;
      const content = { kind: 'discarded', productId, from, trays, balls, note: why } as const;
      const words = t('walkIn.discarded', { code: lot.code, count: trays });
      const id = add(stack.lotId, content, words);
      changed(words, () => {
        add(stack.lotId, { ...content, trays: 0, balls: 0 }, t('walkIn.takenBack', { words }), id);
        return Promise.resolve();
      });
    },
    putFirst: ({ lot, stack }, isFirst) => {
      const words = t(isFirst ? 'walkIn.first' : 'walkIn.notFirst', { code: lot.code });
      const put = (to: boolean) =>
        add(stack.lotId, { kind: 'first', isFirst: to, note: '' }, words);
      put(isFirst);
      changed(words, () => Promise.resolve(void put(!isFirst)));
    },
  };
}
