import type { Product, ProductCount, Service } from '@calm/contract';
import { useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import { useNotices } from '../../parts/Notices';
import { useHouse } from '../../state/useBoard';
import { useDraft } from '../../state/useDraft';
import { useInOrder } from '../../state/useInOrder';
import { useWrite, type Disagreement } from '../../state/useWrite';
import { useChangeCountMutation } from './demandApi';

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
  const { draft, keep, drop } = useDraft<number>(
    `count/${house}/${date}/${patternId}/${product.id}`,
  );
  const [change] = useChangeCountMutation();
  const send = (next: CountChange) =>
    change({ house, date, patternId, productId: product.id, change: next }).unwrap();
  const { write, stale, settle } = useWrite(send);

  const inOrder = useInOrder();
  /** What the last write from here made of it: newer than what is shown until that comes anew. */
  const written = useRef<ProductCount | null>(null);
  const present = () =>
    written.current && written.current.version > count.version ? written.current : count;

  const save = async (next: number, over?: number) => {
    const { origin, count: was, version } = present();
    const before = origin === 'usual' ? null : was;
    const saved = await write({ count: next, version: over ?? version });
    if (!saved) return;
    written.current = saved;
    drop();
    const words = { product: product.name, service: service.name, count: f.count(next) };
    changed(t('demand.changed', words), () => send({ count: before, version: saved.version }));
  };
  const backToUsual = async () => {
    const { count: was, version } = present();
    const saved = await write({ count: null, version });
    if (!saved) return;
    written.current = saved;
    drop();
    changed(t('demand.backToUsual', { product: product.name }), () =>
      send({ count: was, version: saved.version }),
    );
  };
  return {
    shown: draft ?? count.count,
    isUnsaved: draft !== undefined && draft !== count.count,
    stale,
    save: (next) => {
      keep(next);
      void inOrder(() => save(next));
    },
    backToUsual: () => void inOrder(backToUsual),
    keepTheirs: () => {
      settle();
      drop();
    },
    useMine: () => {
      if (!stale) return;
      const mine = stale.mine.count ?? count.usual;
      keep(mine);
      void inOrder(() => save(mine, stale.theirs.version));
    },
  };
}
