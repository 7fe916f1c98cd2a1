import type { ProductCount } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useChangeCountMutation } from '../../../state/api/countsApi';
import { usePermission } from '../../../state/api/usePermission';
import type { Board } from '../../../state/board/useBoard';
import type { Guests } from './guestWays';

/** Counts on so many more, or fewer, from now on; undo counts as before. */
export function CountFor({
  board: { house },
  guests: { product, service, more },
  count,
}: {
  readonly board: Board;
  readonly guests: Guests;
  readonly count: ProductCount;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed, failed } = useNotices();
  const mayPlan = usePermission('plan');
  const [change, { isLoading }] = useChangeCountMutation();
  const next = Math.max(0, count.count + more);
  if (!mayPlan || next === count.count) return null;
  const { date, patternId } = service;
  const send = (to: number | null, version: number) =>
    change({
      house,
      date,
      patternId,
      productId: product.id,
      change: { count: to, version },
    }).unwrap();
  const keep = async () => {
    try {
      const { version } = await send(next, count.version);
      const before = count.origin === 'usual' ? null : count.count;
      changed(
        t('guests.counted', {
          product: product.name,
          service: service.name,
          count: f.count(next),
        }),
        () => send(before, version),
      );
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <Button variant="outlined" disabled={isLoading} onClick={() => void keep()}>
      {t('guests.count', { count: f.count(next), service: service.name })}
    </Button>
  );
}
