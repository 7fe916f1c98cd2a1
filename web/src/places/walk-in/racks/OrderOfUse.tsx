import type { ShownStack } from '@calm/domain';
import { useTranslation } from 'react-i18next';
import { Ball } from '../../../parts/lots/Ball';
import { useFormats } from '../../../parts/format/useFormats';
import { lotWindow } from '../../../state/board/lotWindow';
import { keepingAt, SHAPES, windowWords } from '../coldWords';
import type { WalkInNow } from '../useWalkIn';
import styles from './WalkIn.module.css';

/** Everything in the cold in the order in which it should be used: put first, then the oldest window. */
export function OrderOfUse({
  now,
  atMs,
  onTake,
}: {
  readonly now: WalkInNow;
  readonly atMs: number;
  readonly onTake: (shown: ShownStack) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const lots = now.racks.shown
    .filter(
      ({ stack, lot }, i, all) =>
        all.findIndex((each) => each.lot === lot && each.stack.productId === stack.productId) === i,
    )
    .map((shown) => ({ shown, cold: now.coldOf(shown) }))
    .sort((a, b) => orderOf(now, a) - orderOf(now, b));
  const balls = ({ lot, stack }: ShownStack) =>
    now.racks.shown
      .filter((each) => each.lot === lot && each.stack.productId === stack.productId)
      .reduce((sum, each) => sum + each.stack.balls, 0);
  return (
    <section className={styles['panel']}>
      <h2>{t('walkIn.order')}</h2>
      {lots.length === 0 && <p className="quiet">{t('walkIn.orderNone')}</p>}
      <ol className={styles['order']}>
        {lots.map(({ shown, cold }) => {
          const keeping = keepingAt(cold, atMs);
          return (
            <li key={`${shown.stack.lotId}/${shown.stack.productId}`}>
              <button type="button" onClick={() => onTake(shown)}>
                <Ball shape={SHAPES[keeping]} tone={keeping === 'open' ? 'oat' : 'cold'} />
                <span>
                  <b>{shown.lot.code}</b>{' '}
                  {t('walkIn.ballsOf', { count: balls(shown), product: shown.product.name })}
                  {now.first.has(shown.stack.lotId) && (
                    <b className={styles['firstWord']}> {t('walkIn.useFirst')}</b>
                  )}
                  <span className="quiet small">
                    {cold ? windowWords(t, f, cold) : t('walkIn.window.unknown')}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <p className="quiet small">{t('walkIn.orderWhy')}</p>
    </section>
  );
}

function orderOf(
  now: WalkInNow,
  { shown, cold }: { readonly shown: ShownStack; readonly cold: ReturnType<WalkInNow['coldOf']> },
): number {
  if (now.first.has(shown.stack.lotId)) return -Infinity;
  const window = cold && lotWindow(cold.now, cold.mixedMs);
  return window?.untilMs ?? shown.lot.closeMs;
}
