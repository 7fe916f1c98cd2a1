import type { Product, ProductCount, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { useHouse } from '../../../state/board/useBoard';
import { useDraft } from '../../../state/drafts/useDraft';
import { useDraftedWrite } from '../../../state/api/useDraftedWrite';
import { useWrite, type Disagreement } from '../../../state/api/useWrite';
import { useChangeCountMutation } from '../../../state/api/countsApi';

interface CountChange {
  readonly count: number | null;
  readonly version: number;
}

/** How many of one product one service wants, and how to change it. */
export interface CountState {
  /** As typed here, or as the house has it. */
  readonly shown: number;
  readonly isUnsaved: boolean;
  readonly stale: Disagreement<ProductCount, CountChange> | null;
  readonly save: (next: number) => void;
  readonly backToUsual: () => void;
  readonly keepTheirs: () => void;
  readonly useMine: () => void;
}

/** Reads and writes one count: typed, kept, taken back, settled when two people wrote. */
export function useCount(service: Service, product: Product, count: ProductCount): CountState {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { changed } = useNotices();
  const { patternId, date } = service;
  const [change] = useChangeCountMutation();
  const send = (next: CountChange) =>
    change({ house, date, patternId, productId: product.id, change: next }).unwrap();
  const key = `count/${house}/${date}/${patternId}/${product.id}`;
  const { drop } = useDraft(key);
  const { write, stale, settle } = useWrite(send, drop);
  const typed = useDraftedWrite<number, ProductCount>(key, count, (next, version) =>
    write({ count: next, version }),
  );

  const save = async (next: number, over?: number) => {
    const { origin, count: was } = typed.present();
    const before = origin === 'usual' ? null : was;
    const saved = await typed.put(next, over);
    if (!saved) return;
    const words = { product: product.name, service: service.name, count: f.count(next) };
    changed(t('demand.changed', words), () => send({ count: before, version: saved.version }));
  };
  const backToUsual = async () => {
    const { count: was } = typed.present();
    const saved = await typed.inOrder(() =>
      write({ count: null, version: typed.present().version }),
    );
    if (!saved) return;
    typed.drop();
    changed(t('demand.backToUsual', { product: product.name }), () =>
      send({ count: was, version: saved.version }),
    );
  };
  return {
    shown: typed.draft ?? count.count,
    isUnsaved: typed.draft !== undefined && typed.draft !== count.count,
    stale,
    save: (next) => void save(next),
    backToUsual: () => void backToUsual(),
    keepTheirs: () => {
      settle();
      typed.drop();
    },
    useMine: () => {
      if (stale) void save(stale.mine.count ?? count.usual, stale.theirs.version);
    },
  };
}
