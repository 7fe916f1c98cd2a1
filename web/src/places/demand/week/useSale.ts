import type { Product, Sale, SaleChange, Service, SoldBalls } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { useHouse } from '../../../state/board/useBoard';
import { useDraft } from '../../../state/drafts/useDraft';
import { useDraftedWrite } from '../../../state/api/useDraftedWrite';
import { useWrite, type Disagreement } from '../../../state/api/useWrite';
import { useChangeSaleMutation } from '../demandApi';

/** What one service sold of one product, and how to write it down. */
export interface SaleState {
  readonly shown: SoldBalls;
  /** False until somebody, a file or the till has said what was sold. */
  readonly isKnown: boolean;
  readonly isUnsaved: boolean;
  readonly stale: Disagreement<Sale, SaleChange> | null;
  readonly save: (change: Partial<SoldBalls>) => void;
  readonly keepTheirs: () => void;
  readonly useMine: () => void;
}

/** Reads and writes one sale: typed, kept, taken back, settled when two people wrote. */
export function useSale(service: Service, product: Product, sale: Sale | undefined): SaleState {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { changed } = useNotices();
  const { date, patternId } = service;
  const productId = product.id;
  const kept: Sale = sale ?? {
    date,
    patternId,
    productId,
    sold: 0,
    soldOutMin: null,
    leftBalls: null,
    version: 0,
  };
  const [change] = useChangeSaleMutation();
  const send = (next: SaleChange) =>
    change({ house, date, patternId, productId, change: next }).unwrap();
  const key = `sale/${house}/${date}/${patternId}/${productId}`;
  const { drop } = useDraft(key);
  const { write, stale, settle } = useWrite(send, drop);
  const typed = useDraftedWrite<SoldBalls, Sale>(key, kept, (next, version) =>
    write({ sale: next, version }),
  );
  const shown = typed.draft ?? kept;

  const save = async (to: Partial<SoldBalls>, over?: number) => {
    const before = typed.present();
    const next = { ...soldOf(typed.draft ?? before), ...to };
    const saved = await typed.put(next, over);
    if (!saved) return;
    const words = { product: product.name, service: service.name, count: f.count(next.sold) };
    changed(t('demand.sold.changed', words), () =>
      send({ sale: before.version > 0 ? soldOf(before) : null, version: saved.version }),
    );
  };
  return {
    shown,
    isKnown: kept.version > 0 || typed.draft !== undefined,
    isUnsaved: typed.draft !== undefined,
    stale,
    save: (to) => void save(to),
    keepTheirs: () => {
      settle();
      typed.drop();
    },
    useMine: () => {
      if (stale?.mine.sale) void save(stale.mine.sale, stale.theirs.version);
    },
  };
}

const soldOf = ({ sold, soldOutMin, leftBalls }: SoldBalls): SoldBalls => ({
  sold,
  soldOutMin,
  leftBalls,
});
